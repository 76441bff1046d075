import type { ZoneCrop } from "@sprunel/contract/crop";
import { practicesOf, yearBegan, type Grown, type PondRule } from "@sprunel/core/crop";
import type { StoredZone } from "../scope/zone-store.ts";

type Water = ZoneCrop["practices"][number]["water"];

/** What is done to a planting's field or basin in the season of a date. */
export function practicesAnswer({ definition }: StoredZone, planting: Grown, date: string): ZoneCrop["practices"] {
  return practicesOf(planting, yearBegan(planting, date))
    .filter(({ on }) => planting.clearedOn === null || on <= planting.clearedOn)
    .map(({ practice: { id, name, pond, sign, source, assumed = false }, on, until }) => ({
      ...{ id, name, on, until, source, assumed },
      water: waterOf(pond, definition),
      sign: sign ?? null,
    }));
}

/** Of a basin; in other growing systems its water is kept otherwise. */
function waterOf(pond: PondRule | undefined, definition: StoredZone["definition"]): Water {
  if (!pond || !("refloodAtCm" in definition)) return null;
  switch (pond.kind) {
    case "pond":
      // No deeper than it is flooded at all.
      return { kind: "pond", cm: Math.min(pond.cm, definition.floodDepthMm / 10) };
    case "tube":
      return { kind: "tube", cm: definition.refloodAtCm };
    case "drain":
      return pond;
  }
}
