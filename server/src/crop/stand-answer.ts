import type { ZoneCrop } from "@sprunel/contract/crop";
import type { Pick } from "@sprunel/contract/harvest";
import type { Planting } from "@sprunel/contract/site";
import {
  cameOff,
  partShare,
  pickedOn,
  plantingKey,
  plantingOn,
  plantingsOn,
  STAND_STEPS,
  standingsOn,
  standOn,
  yearBegan,
  yearOf,
  type Grown,
  type Standing,
} from "@sprunel/core/crop";
import { pickedAmount } from "@sprunel/core/harvest";
import { fieldsOf, systemOf } from "@sprunel/core/systems";
import { addDays } from "@sprunel/core/time";
import type { StoredZone } from "../scope/zone-store.ts";

/** Everything that stands in a zone on a date, beside each other. */
export function besideOf({ grown, definition }: StoredZone, date: string): ZoneCrop["beside"] {
  const leading = plantingOn(grown, date);
  const stages = new Map(standingsOn(grown, date).map(({ planting, state }) => [planting, state.period.name]));
  return plantingsOn(grown, date).map((planting) => ({
    key: plantingKey(planting),
    cropName: planting.crop.name,
    part: planting.part ?? null,
    plants: standOn(planting, definition, date).plants,
    stage: stages.get(planting) ?? null,
    leads: planting === leading,
  }));
}

/** What stood in a zone and is over by a date: plantings that were cleared, and the earlier years of perennials, the newest first. */
export function pastOf(zone: StoredZone, picks: readonly Pick[], date: string): ZoneCrop["past"] {
  return zone.grown
    .filter(({ plantedOn }) => plantedOn <= date)
    .flatMap((planting) =>
      seasonsOf(planting, date).map(([from, to]) => {
        const { crop, part } = planting;
        const off = picks.filter(
          ({ pickedOn: on }) => on >= from && on < to && pickedOn(zone.grown, on)?.planting === planting,
        );
        const amount = off.reduce((sum, pick) => sum + (pickedAmount(pick, crop.soldAs) ?? 0), 0);
        return {
          ...{ key: plantingKey(planting), cropName: crop.name, part: part ?? null, soldAs: crop.soldAs, from, to },
          year: crop.perennial ? yearOf(planting, from) : null,
          // Where nobody noted a pick nothing is known of it.
          pickedPerM2: off.length > 0 ? amount / (zone.definition.areaM2 * partShare(part)) : null,
        };
      }),
    )
    .sort((one, other) => other.to.localeCompare(one.to));
}

/** The seasons of a planting that are over by a date, each with its first day and the first day after it. */
function seasonsOf(planting: Grown, date: string): (readonly [from: string, to: string])[] {
  const { crop, plantedOn, clearedOn } = planting;
  const isOver = clearedOn !== null && clearedOn <= date;
  const until = isOver ? clearedOn : date;
  if (!crop.perennial) return isOver ? [[plantedOn, clearedOn]] : [];
  const starts: string[] = [];
  for (let on = until; ; on = addDays(starts[0] ?? on, -1)) {
    starts.unshift(yearBegan(planting, on));
    if ((starts[0] ?? "") <= plantedOn) break;
  }
  return starts.flatMap((from, at) => {
    const to = starts[at + 1] ?? (isOver ? clearedOn : null);
    return to === null || to === from ? [] : [[from, to] as const];
  });
}

/** How a planting stands on a date, by what was set, done to it and picked off it. */
export function standOf(
  zone: StoredZone,
  planting: Planting & Grown,
  standing: Standing | null,
  picks: readonly Pick[],
  date: string,
): ZoneCrop["stand"] {
  const { definition } = zone;
  const stand = standOn(planting, definition, date);
  const { part, plants, ageYears, establishYears, waterAim, steps } = planting;
  const taken = standing ? cameOff(zone.grown, planting, picks).reduce((sum, { count }) => sum + (count ?? 0), 0) : 0;
  return {
    ...{ part, plants, ageYears, establishYears, waterAim },
    planted: stand.plants,
    left: planting.crop.soldAs.kind === "piece" ? Math.max(0, stand.plants - taken) : null,
    groundPct: stand.share * 100,
    perM2: stand.perM2,
    heldLPlant: stand.heldLPlant ?? ("waterHeldLPlant" in definition ? definition.waterHeldLPlant : null),
    fromStemCm: standing?.state.fromStemCm ?? null,
    perennial: planting.crop.perennial ?? false,
    year: yearOf(planting, date),
    aim: standing?.state.aim ?? null,
    steps: [...steps],
    can: STAND_STEPS.filter(
      (kind) =>
        kind === "spaced" ||
        (kind === "potted-on" && fieldsOf(definition.system).some(({ key }) => key === "waterHeldLPlant")) ||
        (kind === "drippers" && (systemOf(definition).dripped ?? false)) ||
        (kind === "cut-back" && planting.crop.perennial === true),
    ),
  };
}
