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
  /** mm on each of the same days as `kc` where rain falls on the zone; left out under cover */
  readonly rainMm?: readonly number[];
}

/** So much rain the soil keeps for the days after, mm; a day's storm beyond runs off. Usual for rooted soil, assumed. */
const KEPT_RAIN_MM = 40;

/** Kc of a zone's crops on so many days from a date on. */
export function kcAhead(plantings: readonly Planting[], from: string, days: number): number[] {
  return Array.from({ length: days }, (_, day) => standingOn(plantings, addDays(from, day))?.state.kc ?? 0);
}

/**
 * What a reference surface evaporates on each of so many days, mm: as measured and foreseen, and on a day beyond by the sun
 * above the air (FAO-56 eq. 21) from the days that are known. None is known: none evaporates.
 *
 * @param evaporationMm reference evapotranspiration outside by date
 */
export function evaporationAheadMm(
  place: Pick<Place, "latitudeDeg">,
  from: string,
  days: number,
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
  return Array.from({ length: days }, (_, day) => {
    const on = addDays(from, day);
    return evaporationMm.get(on) ?? perSun * sun(on);
  });
}

/**
 * Water that a zone will take on each of the coming days: what its plans give as far as they reach, and beyond them
 * area · Kc · ET₀ with the crop as it will stand, less the rain that falls on it, at the same litres for each of demand as
 * were given of late and are planned. Where neither tells, demand alone.
 *
 * @param evaporationMm of a reference surface on each of the same days as `kc` (`evaporationAheadMm`)
 * @returns L by day from the first after those of `givenL` on; none while nothing stands
 */
export function zoneUseAheadL(
  { areaM2, kc, givenL, plannedL, rainMm: fallen }: ZoneUse,
  evaporationMm: readonly number[],
): number[] {
  let keptMm = 0;
  const demands = kc.map((coefficient, day) => {
    const wantedMm = coefficient * (evaporationMm[day] ?? 0);
    const rainMm = keptMm + (fallen?.[day] ?? 0);
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
