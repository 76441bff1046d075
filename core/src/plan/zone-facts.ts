import type { CropChange } from "../course/crop-slots.ts";
import type { HourlyMm, Uptake } from "../course/day-hours.ts";
import type { NitrogenDay } from "../course/follow.ts";
import { nitrogenWith, uptakeOf } from "../course/uptake.ts";
import { followedFrom, pickedOn, standingOn, standingsOn, type Standing } from "../crop/planting.ts";
import { spreadState, standOn, type Stand } from "../crop/stand.ts";
import { freedOn } from "../feed/books/mineralisation.ts";
import { rainThrough } from "../site/rain-through.ts";
import type { ZoneDefinition } from "../site/zone.ts";
import type { Read } from "../systems/asked.ts";
import { systemOf } from "../systems/index.ts";
import { addDays, startOfLocalDay } from "../time/local-time.ts";
import type { Watering } from "../irrigation/watering.ts";
import type { DayReadings, PlannedZone, PlanRecords } from "./zone-records.ts";

/** Facts of one zone's days without any sum: what stood, fell, was fed, taken and read. */
export class ZoneFacts {
  constructor(
    private readonly zone: PlannedZone,
    private readonly records: PlanRecords,
  ) {}

  /** What leads the zone on a date. */
  standing(date: string): Standing | null {
    return standingOn(this.zone.grown, date);
  }

  /** All that stands on a date, each with its canopy on its own ground, and that ground. */
  stands(date: string): readonly { readonly standing: Standing; readonly stand: Stand }[] {
    const { definition, grown } = this.zone;
    return standingsOn(grown, date).map((standing) => {
      const { planting, crop, state } = standing;
      return {
        standing: { ...standing, state: spreadState(state, crop, planting, definition, date) },
        stand: standOn(planting, definition, date),
      };
    });
  }

  /** The zone as its plantings make it on a date: as many plants, and pots of as much water. */
  definition(date: string): ZoneDefinition {
    const { definition, grown } = this.zone;
    if (!grown.some(({ part, plants, steps }) => part || (plants ?? null) !== null || (steps ?? []).length > 0))
      return definition;
    const stands = this.stands(date).map(({ stand }) => stand);
    const plants = stands.reduce((sum, stand) => sum + stand.plants, 0);
    if (plants === 0) return definition;
    if (!("waterHeldLPlant" in definition)) return { ...definition, plants };
    const heldL = stands.reduce(
      (sum, stand) => sum + stand.plants * (stand.heldLPlant ?? definition.waterHeldLPlant),
      0,
    );
    return { ...definition, plants, waterHeldLPlant: heldL / plants };
  }

  /** The day from which the root zone of a date is followed; null where nothing stands. */
  followedFrom(date: string): string | null {
    return followedFrom(this.zone.grown, date);
  }

  /** Share of a planting's plants that was taken on a date: only of single plants that are sold. */
  taken(date: string, { planting, crop }: Standing): number {
    if (crop.soldAs.kind !== "piece") return 0;
    const pieces = this.records.takenOn(this.zone.id, date);
    if (pieces === 0 || pickedOn(this.zone.grown, date)?.planting !== planting) return 0;
    return pieces / standOn(planting, this.zone.definition, date).plants;
  }

  /** Share of a planting's plants that stands yet on the morning of a date. */
  left(date: string, standing: Standing): number {
    let left = 1;
    for (let day = standing.planting.plantedOn; day < date; day = addDays(day, 1)) left -= this.taken(day, standing);
    return Math.max(0, left);
  }

  logged(date: string): readonly Watering[] {
    return this.records.logOf(this.zone.id, date).waterings;
  }

  reading(date: string): DayReadings {
    return this.records.logOf(this.zone.id, date).readings;
  }

  /** What a date did to the crop, whose air is that of its house. */
  cropChange(date: string, standing: Standing): CropChange {
    const temperatures = (this.records.weather.get(date)?.air.get(this.zone.houseId) ?? []).map(
      ({ airTemperatureC }) => airTemperatureC,
    );
    return {
      air: temperatures.length > 0 ? { tMinC: Math.min(...temperatures), tMaxC: Math.max(...temperatures) } : null,
      takenShare: this.taken(date, standing),
    };
  }

  /** Rain that got into the root zone on a date, through its cover and its pots' mouths, as far as it was measured. */
  rain(date: string): HourlyMm[] {
    const share = rainShareOf(this.zone);
    if (share === 0) return [];
    return (this.records.weather.get(date)?.hours ?? []).flatMap(({ startMs, values: { rain } }) =>
      rain && rain.origin !== "forecast" ? [{ startMs, mm: rain.value * share }] : [],
    );
  }

  /** What is in the water that is given on a date: of the feed, or the water alone as far as its EC was said. */
  fed(date: string): Uptake | null {
    const { definition } = this.zone;
    const water = "ecWaterMsCm" in definition ? { ecMsCm: definition.ecWaterMsCm, nGM3: 0 } : null;
    return this.records.fedOn(this.zone, date) ?? water;
  }

  /** What the crop takes with its water: of what it is fed, or as its aim asks. Leafless plants take no nitrogen. */
  uptake(date: string, standing: Standing, demandMm: number): Uptake | undefined {
    const fed = this.records.fedOn(this.zone, date);
    if (fed) return uptakeOf(fed, standing.state);
    const wanted = this.records.nitrogenOn(this.zone, date, standing)?.wantedKgHa ?? null;
    return wanted === null ? undefined : nitrogenWith(wanted / KG_HA_PER_G_M2, demandMm);
  }

  /** Nitrogen that comes to the root zone on a date beside its water, by the warmth of its air. */
  nitrogen(date: string, standing: Standing): NitrogenDay | undefined {
    const facts = this.records.nitrogenOn(this.zone, date, standing);
    if (!facts) return undefined;
    const { givenKgHa, yearKgHa, measuredKgHa } = facts;
    const { air } = this.cropChange(date, standing);
    const meanC = air ? (air.tMinC + air.tMaxC) / 2 : standing.crop.usualC.value;
    return {
      freedGM2: (givenKgHa + freedOn(yearKgHa, meanC)) / KG_HA_PER_G_M2,
      measuredGM2: measuredKgHa === null ? null : measuredKgHa / KG_HA_PER_G_M2,
    };
  }

  /** What was read of the root zone's water on a date, where its system shows it. */
  reads(date: string): Read[] {
    const { levelCm } = this.reading(date);
    const definition = this.definition(date);
    const missingMm = levelCm && systemOf(definition).missingMm(definition, { levelCm: levelCm.value });
    if (!levelCm || missingMm === undefined || missingMm === null) return [];
    const dayStartMs = startOfLocalDay(date, this.records.place.timeZone);
    return [{ afterHours: (levelCm.atMs - dayStartMs) / HOUR_MS, missingMm }];
  }
}

const HOUR_MS = 3_600_000;
const KG_HA_PER_G_M2 = 10;

/** Share of the rain outside that gets into a zone's root zone, 0 to 1. */
function rainShareOf({ house, definition, layout }: PlannedZone): number {
  const through = rainThrough(house.transmissionPct, house.rainThroughPct ?? null);
  return through * (systemOf(definition).openShare?.(definition, layout?.vessel ?? null) ?? 1);
}
