import type { Zone } from "@sprunel/contract/site";
import { partShare, pickedOn } from "@sprunel/core/crop";
import { pickingTime, yieldPath } from "@sprunel/core/harvest";
import { addDays, daysBetween } from "@sprunel/core/time";
import { normal } from "@sprunel/field";
import { pickStore, type Scope } from "@sprunel/server";
import { uuid } from "./keys.ts";
import { SEED, type DemoZone } from "./story.ts";

/** Picked in the cool of the morning, weighed by eleven. */
const WEIGHED_HOUR = 11;
const KEYS = 0;

/** What came off on a day of picking: the path's next step, as much of it as the story has; in mass or in pieces. */
export async function pickOf(
  scope: Scope,
  { harvest }: DemoZone,
  { id, definition }: Zone,
  date: string,
  { daysAgo, nowMs, dayStart }: { readonly daysAgo: number; readonly nowMs: number; readonly dayStart: number },
): Promise<void> {
  const weighedMs = dayStart + WEIGHED_HOUR * 3_600_000;
  const standing = pickedOn((await scope.zone(id)).grown, date);
  const time = standing && pickingTime(standing.planting, standing.since);
  if (!time || !standing.state.period.stage.picking || weighedMs > nowMs) return;
  if ((daysBetween(time.from, date) + 1) % harvest.everyDays !== 0) return;
  const { soldAs } = standing.crop;
  const at = (on: string): number => yieldPath(time, harvest.targetPerM2, on, soldAs).perM2;
  const dayNumber = Math.floor(Date.parse(date) / 86_400_000);
  const amount =
    definition.areaM2 *
    partShare(standing.planting.part) *
    (at(date) - at(addDays(date, -harvest.everyDays))) *
    harvest.share(daysAgo) *
    (1 + 0.07 * normal(SEED, 400 + id, dayNumber));
  const isMass = soldAs.kind === "mass";
  const { kgPerFruit } = harvest;
  const massKg = isMass ? Number(amount.toFixed(1)) : null;
  const count = isMass ? (kgPerFruit === undefined ? null : Math.round(amount / kgPerFruit)) : Math.round(amount);
  // Where the path has come to its end nothing is taken, and nobody writes a pick of nothing.
  if (massKg === 0 || count === 0) return;
  const pick = {
    ...{ key: uuid(KEYS, id, dayNumber), pickedOn: date, clock: null },
    ...{ massKg, count, grade: "class 1", brixPct: null },
  };
  await scope.transaction((inner) => pickStore(inner).add(id, pick), { atMs: weighedMs });
}
