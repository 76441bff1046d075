import type { ZoneCrop } from "@sprunel/contract/crop";
import type { Site } from "@sprunel/contract/site";
import {
  againstBands,
  BAND_KINDS,
  co2Hours,
  consequence,
  lampsFor,
  readAgainstBands,
  USUAL_LAMPS,
  type AirHour,
  type BandDay,
  type Grown,
} from "@sprunel/core/crop";
import { rainThrough } from "@sprunel/core/site";
import { addDays } from "@sprunel/core/time";
import type { DayWeather, WeatherService } from "../climate/weather-service.ts";
import type { StoredZone } from "../scope/zone-store.ts";

type Air = NonNullable<ZoneCrop["air"]>;

/** So far back a planting's days are looked at. */
const MOST_DAYS = 200;
/** What lay outside on at least so many of the last days is told with what it does. */
const LATE_DAYS = 7;
const TOLD_FROM = 3;

/** What was read of roots and CO₂, by date. */
export type ReadBy = (from: string, to: string) => Promise<ReadonlyMap<string, { rootC?: number; co2Ppm?: number }>>;

/** The air and light of a planting's days, up to one that is over, against its crop's bands. */
export async function cropAir(
  weather: WeatherService,
  site: Site,
  zone: StoredZone,
  { crop, plantedOn }: Grown,
  until: string,
  stageFrom: string | null,
  readBy: ReadBy,
): Promise<Air> {
  const first = addDays(until, -MOST_DAYS);
  const from = plantedOn > first ? plantedOn : first;
  const lived = await weather.days(site, from, until);
  const read = await readBy(from, until);
  const days = lived.flatMap((day) => {
    const kinds = [
      ...(againstBands(crop.bands, hoursOf(day, zone)) ?? []),
      ...readAgainstBands(crop.bands, read.get(day.date) ?? {}),
    ];
    return kinds.length > 0 ? [{ date: day.date, kinds }] : [];
  });
  const last = lived.at(-1);
  const late = days.slice(-LATE_DAYS);
  const { dayC, nightC, lightMolM2, mostRhPct, rootC, co2Ppm, source, assumed = false } = crop.bands;
  const inStage = days.filter(({ date }) => stageFrom !== null && date >= stageFrom);
  const outside = BAND_KINDS.flatMap((kind) =>
    ([-1, 1] as const).flatMap((side): Air["outside"] => {
      const found = late.filter(({ kinds }) => of(kinds, kind)?.side === side).length;
      // A reading is taken now and then: one says as much as there is.
      return found >= (kind === "root" || kind === "co2" ? 1 : TOLD_FROM)
        ? [
            {
              kind,
              side,
              days: found,
              ofDays: late.filter(({ kinds }) => of(kinds, kind)).length,
              ...overStage(inStage, kind, side),
              consequence: consequence(crop.group, kind, side),
            },
          ]
        : [];
    }),
  );
  const gaps = late.map(({ kinds }) => Math.max(0, lightMolM2[0] - (of(kinds, "light")?.value ?? lightMolM2[0])));
  const gap = gaps.reduce((sum, mol) => sum + mol, 0) / Math.max(1, gaps.length);
  return {
    dayC: [...dayC],
    nightC: [...nightC],
    lightMolM2: [...lightMolM2],
    mostRhPct,
    rootC: rootC ? [...rootC] : null,
    co2Ppm: co2Ppm ? [...co2Ppm] : null,
    // In the open and under nets it is gone at once.
    co2Hours: last && isClosed(zone) ? co2Hours(hoursOf(last, zone)) : null,
    said: { source, assumed },
    days,
    outside,
    lamps: outside.some(({ kind }) => kind === "light") ? { ...lampsFor(gap), ...USUAL_LAMPS } : null,
  };
}

/** How often a stage's days lay outside, and for how many hours; of light and readings no hours are known. */
function overStage(
  days: Air["days"],
  kind: BandDay["kind"],
  side: -1 | 1,
): { stageDays: number; stageHours: number | null } {
  const outside = days.flatMap(({ kinds }) => kinds.filter((one) => one.kind === kind && one.side === side));
  const isOfAir = kind === "day" || kind === "night" || kind === "humidity";
  return {
    stageDays: outside.length,
    stageHours: isOfAir ? outside.reduce((sum, { hours }) => sum + hours, 0) : null,
  };
}

/** So many hours outside in a day are grave; of light so large a share that is missing. Assumed. */
const GRAVE = { day: 8, night: 8, humidity: 12, light: 0.5, root: Infinity, co2: Infinity } as const;

/** What lay far outside the bands of the crop on each of some days: told on the board, where single days would be noise. */
export function farOutside(
  days: readonly (DayWeather | undefined)[],
  zone: StoredZone,
  { bands }: Grown["crop"],
): { readonly kind: BandDay["kind"]; readonly side: -1 | 1 }[] {
  const [first = [], ...others] = days.map((day) =>
    ((day && againstBands(bands, hoursOf(day, zone))) ?? []).flatMap(({ kind, side, hours }) =>
      side !== 0 && hours >= GRAVE[kind] ? [{ kind, side }] : [],
    ),
  );
  return first.filter(({ kind, side }) =>
    others.every((day) => day.some((other) => other.kind === kind && other.side === side)),
  );
}

/** Whether a zone stands under a cover that lets no rain through. */
function isClosed({ house }: StoredZone): boolean {
  return rainThrough(house.transmissionPct, house.rainThroughPct ?? null) === 0;
}

function of(kinds: readonly BandDay[], kind: BandDay["kind"]): BandDay | undefined {
  return kinds.find((found) => found.kind === kind);
}

/** The board looks at the same days each time. */
const known = new WeakMap<DayWeather, Map<string, readonly AirHour[]>>();

/** The air and light of a day under a zone's cover. */
function hoursOf(day: DayWeather, zone: StoredZone): readonly AirHour[] {
  const ofDay = known.get(day) ?? new Map<string, readonly AirHour[]>();
  known.set(day, ofDay);
  const key = `${zone.houseId} ${zone.house.transmissionPct}`;
  const hours = ofDay.get(key) ?? hoursUnder(day, zone);
  ofDay.set(key, hours);
  return hours;
}

function hoursUnder({ hours, air }: DayWeather, { houseId, house }: StoredZone): readonly AirHour[] {
  const light = new Map(hours.map(({ startMs, values }) => [startMs, values.radiation?.value]));
  return (air.get(houseId) ?? []).flatMap(({ startMs, airTemperatureC, vpdKpa }) => {
    const outside = light.get(startMs);
    return outside === undefined
      ? []
      : [{ airC: airTemperatureC, vpdKpa, solarMjM2: (outside * house.transmissionPct) / 100 }];
  });
}
