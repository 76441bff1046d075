import { createHash } from "node:crypto";
import { newPickSchema } from "@sprunel/contract/harvest";
import { pickedOn } from "@sprunel/core/crop";
import type { NotedPick } from "@sprunel/core/harvest";
import { StoredRows, type ListedRow, type ListPlace } from "./list-place.ts";
import { pickStore } from "../../harvest/pick-store.ts";

/** A log of picks, each under a key of what it says, so that the same file adds nothing. */
export async function storePicks(
  rows: readonly ListedRow<NotedPick>[],
  { scope, zones, today }: ListPlace,
): Promise<StoredRows> {
  const stored = new StoredRows();
  for (const { line, values } of rows) {
    const zone = zones.get(values.zone);
    if (!zone) continue;
    const pick = newPickSchema.safeParse({
      key: keyOf(zone.id, values),
      pickedOn: values.pickedOn,
      massKg: values.massKg,
      count: values.fruitCount,
      grade: values.grade || null,
      brixPct: values.brixPct,
    });
    if (values.massKg === null) stored.refuse(line, "Its mass was set aside; agree to the offer, or type the pick in.");
    else if (values.pickedOn > today) stored.refuse(line, `It is from ${values.pickedOn}, which is still to come.`);
    else if (!pickedOn(zone.grown, values.pickedOn))
      stored.refuse(line, `Nothing stood in ${zone.name} on ${values.pickedOn}; check the planting in set-up.`);
    else if (!pick.success) stored.refuse(line, pick.error.issues.map((issue) => issue.message).join(" "));
    else stored.count(await pickStore(scope).add(zone.id, pick.data));
  }
  return stored;
}

function keyOf(zoneId: number, { pickedOn, grade, massKg, fruitCount, brixPct }: NotedPick): string {
  const text = JSON.stringify([zoneId, pickedOn, grade, massKg, fruitCount, brixPct]);
  const hex = createHash("sha256").update(text).digest("hex");
  // In the form of a UUID of version 8, which is free for such keys (RFC 9562).
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}
