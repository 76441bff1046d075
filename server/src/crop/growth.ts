import type { Site } from "@sprunel/contract/site";
import { cropById, grow, programmesOn, unbrokenDarkH, type Crop, type CropClimate } from "@sprunel/core/crop";
import { addDays, localDate } from "@sprunel/core/time";
import { WEATHER_TABLES, type DayWeather, type WeatherService } from "../climate/weather-service.ts";
import { cachedWhole } from "../scope/cache.ts";
import { cropsOf } from "./library-service.ts";
import type { Grow, Scope } from "../scope/scope.ts";
import type { StoredZone, ZoneRecord } from "../scope/zone-store.ts";

/** Stages are followed through the weather of so many days; what was planted before has had the usual climate until then. */
const FOLLOWED_DAYS = 400;
/** As far ahead as weather is told. */
const AHEAD_DAYS = 60;
/** Beyond it the air is as in the mean of the last days that are told. */
const MEAN_DAYS = 14;
/** Fewer hours of a day's air do not tell its lowest and highest. */
const LEAST_HOURS = 18;

/** The days that plantings live through, and how zones grew in them. */
interface Lived {
  readonly days: readonly DayWeather[];
  readonly climates: Map<number, CropClimate>;
  readonly grown: WeakMap<ZoneRecord, StoredZone>;
  /** of what they were put together */
  readonly of: string;
  readonly untilMs: number;
}

/** Hours that are foreseen are asked for anew after so long. */
const FORESEEN_MS = 5 * 60_000;

type Air = { readonly tMinC: number; readonly tMaxC: number } | null;

/** The days lived through last, and from which date on days were needed so far. */
interface Kept {
  last: Lived | null;
  earliest: string;
}

const keptIn = cachedWhole<Kept>(WEATHER_TABLES, () => ({ last: null, earliest: "9999-12-31" }));

/** How plantings grow: each through the air of its house and the daylight of the place. */
export function growth(weather: WeatherService): Grow {
  const airs = new WeakMap<DayWeather, Map<number, Air>>();

  function airOf(day: DayWeather, houseId: number): Air {
    const known = airs.get(day) ?? new Map<number, Air>();
    airs.set(day, known);
    const found = known.get(houseId);
    if (found !== undefined) return found;
    const hours = (day.air.get(houseId) ?? []).map(({ airTemperatureC }) => airTemperatureC);
    const air = hours.length < LEAST_HOURS ? null : { tMinC: Math.min(...hours), tMaxC: Math.max(...hours) };
    known.set(houseId, air);
    return air;
  }

  function climateOf(site: Site, days: readonly DayWeather[], houseId: number): CropClimate {
    const byDate = new Map(days.map((day) => [day.date, day]));
    const lastDate = days.at(-1)?.date ?? "";
    const late = days.slice(-MEAN_DAYS).flatMap((day) => airOf(day, houseId) ?? []);
    const mean = (of: (air: NonNullable<Air>) => number): number =>
      late.reduce((sum, air) => sum + of(air), 0) / late.length;
    const beyond: Air =
      late.length > 0 ? { tMinC: mean(({ tMinC }) => tMinC), tMaxC: mean(({ tMaxC }) => tMaxC) } : null;
    const lengths = new Map<string, number>();
    return {
      air(date) {
        const day = byDate.get(date);
        if (day) return airOf(day, houseId);
        return date > lastDate ? beyond : null;
      },
      dayLengthH(date, nights) {
        if (programmesOn(nights, date).length > 0) return 24 - unbrokenDarkH(site, date, nights);
        const known = lengths.get(date) ?? 24 - unbrokenDarkH(site, date, {});
        lengths.set(date, known);
        return known;
      },
    };
  }

  /** Asked for with every zone that is looked at: put together anew only when weather came in, or the day has moved on. */
  async function livedBy(site: Site, zones: readonly ZoneRecord[], scope: Scope): Promise<Lived> {
    const nowMs = scope.clock();
    const today = localDate(nowMs, site.timeZone);
    const first = firstNeeded(zones, addDays(today, -FOLLOWED_DAYS), today);
    const kept = keptIn(scope);
    const { last } = kept;
    if (first < kept.earliest) kept.earliest = first;
    const of = `${kept.earliest} ${today}`;
    if (last?.of === of && nowMs < last.untilMs && nowMs > last.untilMs - 2 * FORESEEN_MS) return last;
    const days = await weather.days(site, kept.earliest, addDays(today, AHEAD_DAYS), scope);
    const isTheSame = last !== null && isSame(last.days, days);
    const lived: Lived = {
      days,
      climates: last !== null && isTheSame ? last.climates : new Map<number, CropClimate>(),
      grown: last !== null && isTheSame ? last.grown : new WeakMap<ZoneRecord, StoredZone>(),
      of,
      untilMs: nowMs + FORESEEN_MS,
    };
    kept.last = lived;
    return lived;
  }

  return async (zones, scope) => {
    const site = await scope.site.find();
    const crops = await cropsOf(scope);
    const cropOf = (id: string): Crop => crops.get(id) ?? cropById(id);
    if (!site || zones.length === 0)
      return zones.map((zone) => ({ ...zone, grown: zone.plantings.map((one) => grow(one, cropOf(one.cropId))) }));
    const { days, climates, grown } = await livedBy(site, zones, scope);
    return zones.map((zone) => {
      const known = grown.get(zone);
      if (known?.grown.every(({ crop }) => crop === cropOf(crop.id))) return known;
      const climate = climates.get(zone.houseId) ?? climateOf(site, days, zone.houseId);
      climates.set(zone.houseId, climate);
      const stored = { ...zone, grown: zone.plantings.map((one) => grow(one, cropOf(one.cropId), climate)) };
      grown.set(zone, stored);
      return stored;
    });
  };
}

/** The first day of a planting that has stood since a date, of all zones; today where none has. */
function firstNeeded(zones: readonly ZoneRecord[], since: string, today: string): string {
  let first = today;
  for (const { plantings } of zones)
    for (const { plantedOn, clearedOn } of plantings)
      if (plantedOn < first && (clearedOn === null || clearedOn > since)) first = plantedOn;
  return first > since ? first : since;
}

function isSame<T>(one: readonly T[], other: readonly T[]): boolean {
  return one.length === other.length && one.every((value, at) => value === other[at]);
}
