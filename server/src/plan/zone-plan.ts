import type { Site } from "@sprunel/contract";
import {
  addDays,
  cropById,
  cropStateOn,
  dayDemand,
  planZoneDay,
  soilNextMorning,
  SOIL_AT_FIELD_CAPACITY,
  type CropState,
  type Demand,
  type Origin,
  type SoilState,
  type YesterdayDrain,
  type ZoneDay,
  type ZoneField,
} from "@sprunel/core";
import type { DayWeather } from "../climate/weather-service.ts";
import type { Watering } from "../irrigation/watering-store.ts";
import type { ReadingKind } from "../rootzone/reading-store.ts";
import type { StoredZone } from "../site/zone-store.ts";

/** Everything stored that a zone's days stand on, fetched once for all zones. */
export interface Records {
  readonly site: Site;
  readonly weather: ReadonlyMap<string, DayWeather>;
  /** by zone id and date */
  readonly waterings: ReadonlyMap<string, readonly Watering[]>;
  readonly readings: ReadonlyMap<string, DayReadings>;
}

/** The last reading of each kind on a day. */
export type DayReadings = Partial<Record<ReadingKind, { readonly value: number; readonly atMs: number }>>;

/** Root zones on mornings that are over, by date: they stay as they are until something stored changes. */
export type Mornings = Map<string, SoilState>;

export interface PlannedDay {
  readonly cropState: CropState;
  readonly demand: Demand;
  readonly day: ZoneDay;
  /** mm this morning; soil only */
  readonly depletionMm?: number;
}

export function recordKey(zoneId: number, date: string): string {
  return `${zoneId} ${date}`;
}

/** One zone's plans by date, each from the records of the days before. Made anew when anything stored changes. */
export class ZonePlanner {
  constructor(
    private readonly zone: StoredZone,
    private readonly records: Records,
    private readonly mornings: Mornings,
  ) {}

  /** @returns why there is none, where the zone is not planted or the weather not known */
  plan(date: string): PlannedDay | "not-planted" | "no-weather" {
    const { planting, definition } = this.zone;
    const cropState = this.cropState(date);
    if (!planting || !cropState) return "not-planted";
    const demand = this.demand(date, cropState);
    if (!demand) return "no-weather";
    const depletionMm = definition.system === "soil-drip" ? this.morning(date).depletionMm : undefined;
    const day = planZoneDay({
      zone: definition,
      unconfirmed: this.zone.unconfirmed as ZoneField[],
      place: this.records.site,
      date,
      crop: cropById(planting.cropId),
      cropState,
      demand,
      yesterday: definition.system === "substrate" ? this.yesterdayDrain(date) : undefined,
      depletionMm,
    });
    return { cropState, demand, day, ...(depletionMm !== undefined && { depletionMm }) };
  }

  get areaM2(): number {
    return this.zone.definition.areaM2;
  }

  logged(date: string): readonly Watering[] {
    return this.records.waterings.get(recordKey(this.zone.id, date)) ?? [];
  }

  reading(date: string): DayReadings {
    return this.records.readings.get(recordKey(this.zone.id, date)) ?? {};
  }

  private cropState(date: string): CropState | null {
    const { planting } = this.zone;
    return planting && cropStateOn(cropById(planting.cropId), planting.plantedOn, date, planting.signs);
  }

  private demand(date: string, cropState: CropState): Demand | null {
    const weather = this.records.weather.get(date);
    const { planting, house, definition, unconfirmed, houseId } = this.zone;
    if (!weather || !planting) return null;
    const transmissionOrigin: Origin = { kind: unconfirmed.includes("transmissionPct") ? "default" : "entered" };
    return dayDemand({
      system: definition.system,
      place: this.records.site,
      date,
      hours: weather.hours,
      air: weather.air.get(houseId) ?? [],
      transmissionPct: house.transmissionPct,
      transmissionOrigin,
      crop: cropById(planting.cropId),
      cropState,
    });
  }

  private yesterdayDrain(date: string): YesterdayDrain | undefined {
    const yesterday = addDays(date, -1);
    const { drainPct, drainEcMsCm, feedEcMsCm } = this.reading(yesterday);
    const cropState = this.cropState(yesterday);
    const demand = cropState && this.demand(yesterday, cropState);
    // Nearly all of it running out tells of a burst pipe or a moved tray, not of the plants.
    if (!drainPct || drainPct.value > 95 || !drainEcMsCm || !feedEcMsCm || !demand) return undefined;
    return {
      drainPct: drainPct.value,
      drainEcMsCm: drainEcMsCm.value,
      feedEcMsCm: feedEcMsCm.value,
      at: new Date(drainPct.atMs).toISOString(),
      origin: "measured",
      givenL: litresOf(this.logged(yesterday)),
      modelDemandMm: demand.demandMm,
    };
  }

  /** The soil on the morning of a date, from planting on. A day without a log counts as run by its plan; one without weather is left out. */
  private morning(date: string): SoilState {
    const { planting, definition } = this.zone;
    if (!planting || definition.system !== "soil-drip" || date <= planting.plantedOn) return SOIL_AT_FIELD_CAPACITY;
    const known = this.mornings.get(date);
    if (known) return known;
    // Forward from the last known morning: stepping back day by day would nest a call for every day of the season.
    let at = planting.plantedOn;
    for (let day = addDays(date, -1); day > planting.plantedOn; day = addDays(day, -1))
      if (this.mornings.has(day)) {
        at = day;
        break;
      }
    let state = this.mornings.get(at) ?? SOIL_AT_FIELD_CAPACITY;
    for (; at < date; at = addDays(at, 1)) {
      this.mornings.set(at, state);
      const cropState = this.cropState(at);
      const demand = cropState && this.demand(at, cropState);
      if (!demand) continue;
      const logged = this.logged(at);
      const planned = logged.length > 0 ? null : this.plan(at);
      const litres = planned === null ? litresOf(logged) : typeof planned === "string" ? 0 : planned.day.water.litres;
      state = soilNextMorning(definition, cropById(planting.cropId), cropState, state, {
        demandMm: demand.demandMm,
        givenMm: litres / definition.areaM2,
        rainMm: 0,
      });
    }
    this.mornings.set(date, state);
    return state;
  }
}

export function litresOf(waterings: readonly Watering[]): number {
  return waterings.reduce((sum, watering) => sum + watering.litres, 0);
}
