import type { WeatherOfDay } from "../climate/weather-again.ts";
import type { Standing } from "../crop/planting.ts";
import type { Stand } from "../crop/stand.ts";
import type { Place } from "../site/zone.ts";
import { systemOf } from "../systems/index.ts";
import type { Origin } from "../working/origin.ts";
import type { DemandChoice } from "./demand-choice.ts";
import type { Demand } from "./demand-input.ts";
import { dayDemand } from "./demand.ts";
import type { PlannedZone } from "./zone-records.ts";

interface PlantingDay {
  readonly place: Place;
  readonly weather: WeatherOfDay;
  readonly standing: Standing;
  readonly stand: Stand;
  /** share of its plants that was not taken yet, 0 to 1 */
  readonly left: number;
  /** null for the usual way */
  readonly choice: DemandChoice | null;
  /** whether anybody reads how the figures arose */
  readonly explain: boolean;
}

/**
 * Demand of one planting in its zone on a day, as it is on the planting's own ground, told on the ground of the zone.
 *
 * @returns null where the weather of the day does not tell
 */
export function plantingDemand(
  { definition, house, houseId, unconfirmed, layout }: PlannedZone,
  { place, weather, standing, stand, left, choice, explain }: PlantingDay,
): Demand | null {
  const { plants, share, heldLPlant } = stand;
  const ground = { ...definition, plants, areaM2: definition.areaM2 * share };
  const own = "waterHeldLPlant" in ground && heldLPlant !== null ? { ...ground, waterHeldLPlant: heldLPlant } : ground;
  const originOf = (field: string): Origin => ({ kind: unconfirmed.includes(field) ? "default" : "entered" });
  return dayDemand({
    system: definition.system,
    place,
    date: weather.date,
    hours: weather.hours,
    air: weather.air.get(houseId) ?? [],
    transmissionPct: house.transmissionPct,
    transmissionOrigin: originOf("transmissionPct"),
    mulch:
      "mulchSavesPct" in definition
        ? { savesPct: definition.mulchSavesPct, origin: originOf("mulchSavesPct") }
        : undefined,
    crop: standing.crop,
    cropState: standing.state,
    choice,
    wetsPct: systemOf(definition).wetsPct?.(definition),
    standing: share * left,
    openShare: systemOf(own).openShare?.(own, layout?.vessel ?? null),
    told: explain,
  });
}
