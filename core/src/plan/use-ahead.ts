import { dailyExtraterrestrialMjM2, dayOfYear } from "../climate/solar-geometry.ts";
import { standingOn, type Planting } from "../crop/planting.ts";
import type { Place } from "../site/zone.ts";
import { addDays } from "../time/local-time.ts";

export interface ZoneUse {
  readonly areaM2: number;
  /** Kc of every day from the first of `givenL` on, as many as are looked at; 0 while nothing stands */
  readonly kc: readonly number[];
  /** L given on each of the last days, the day before `date` last */
  readonly givenL: readonly number[];
  /** L that the plans of the first days from `date` on give, as far as they reach */
  readonly plannedL: readonly number[];
  /** mm on a date where rain falls on the zone; left out under cover */
  rainMm?(date: string): number;
}

/** So much rain the soil keeps for the days after, mm; a day's storm beyond runs off. Usual for rooted soil, assumed. */
const KEPT_RAIN_MM = 40;

/** Kc of a zone's crops on so many days from a date on. */
export function kcAhead(plantings: readonly Planting[], from: string, days: number): number[] {
  return Array.from({ length: days }, (_, day) => standingOn(plantings, addDays(from, day))?.state.kc ?? 0);
}

/**
 * Water that a zone will take on each of the coming days: what its plans give as far as they reach, and beyond them
 * area · Kc · ET₀ with the crop as it will stand, less the rain that falls on it, at the same litres for each of demand as
 * were given of late and are planned. Where neither tells, demand alone.
 *
 * @param evaporationMm reference evapotranspiration outside by date, measured and foreseen; a day beyond follows the sun
 *   above the air (FAO-56 eq. 21) from the days that are known
 * @returns L by day from `date` on; none while nothing stands
 */
export function zoneUseAheadL(
  place: Pick<Place, "latitudeDeg">,
  { areaM2, kc, givenL, plannedL, rainMm: rainOn }: ZoneUse,
  date: string,
  evaporationMm: ReadonlyMap<string, number>,
): number[] {
  const sun = (on: string): number => dailyExtraterrestrialMjM2(place.latitudeDeg, dayOfYear(on));
  const known = [...evaporationMm];
  const perSun =
    known.reduce((sum, [, mm]) => sum + mm, 0) /
    Math.max(
      1e-9,
      known.reduce((sum, [on]) => sum + sun(on), 0),
    );
  const first = addDays(date, -givenL.length);
  let keptMm = 0;
  const demands = kc.map((coefficient, day) => {
    const on = addDays(first, day);
    const wantedMm = coefficient * (evaporationMm.get(on) ?? perSun * sun(on));
    const rainMm = keptMm + (rainOn?.(on) ?? 0);
    keptMm = Math.min(KEPT_RAIN_MM, Math.max(0, rainMm - wantedMm));
    return areaM2 * Math.max(0, wantedMm - rainMm);
  });
  // Only days with a crop tell how much is given for its demand.
  const [given, demanded] = [...givenL, ...plannedL].reduce(
    ([litres, of], ofDay, day) => ((demands[day] ?? 0) > 0 ? [litres + ofDay, of + (demands[day] ?? 0)] : [litres, of]),
    [0, 0],
  );
  const perDemand = given > 0 && demanded > 0 ? given / demanded : 1;
  return demands.slice(givenL.length).map((litres, day) => plannedL[day] ?? perDemand * litres);
}
