import { addDays } from "../../time/local-time.ts";
import type { MainAmounts } from "./nutrients.ts";
import type { UptakeDay } from "./uptake-curve.ts";

/** A planting as far as its doses go by it. */
export interface DosedSeason {
  /** every day on which it is fed, in order */
  readonly days: readonly UptakeDay[];
  /** the same days weighed by the nitrogen that is taken up on each */
  readonly nitrogenDays: readonly UptakeDay[];
  /** first day of each of its stages */
  readonly stages: ReadonlyMap<string, string>;
  /** days on which it was picked, in order */
  readonly picks: readonly string[];
  /** where picking begins; null of a crop that is not picked again and again */
  readonly pickingFrom: string | null;
  readonly areaM2: number;
  /** litres given to the zone by date, as far as they are known */
  readonly litres: ReadonlyMap<string, number>;
  /** litres that the zone's own plans foresee by date, for as far ahead as they go; needed while what was given tells nothing */
  readonly ahead: ReadonlyMap<string, number>;
  /** light on the crop by date, mol/m², as far as it is known or foreseen */
  readonly light: ReadonlyMap<string, number>;
  /** N, P and K that the recipe of a day adds to the water, mg/L; null where there is no recipe */
  recipeMgL(on: string): MainAmounts | null;
}

/** Before so much of the season's uptake is over its water tells nothing of the whole. Assumed. */
export const WATER_TELLS_FROM = 0.15;

/**
 * Litres of every day of the season: those that were given up to a date, and from then on what is expected by the Kc of each day,
 * as the zone drank so far. Where too little of the season is over, what the zone's plans foresee, and beyond them as they do.
 */
export function seasonLitres(season: DosedSeason, until: string): ReadonlyMap<string, number> {
  const { days, litres } = season;
  const [all, over] = [days, days.filter(({ on }) => on <= until)].map((some) =>
    some.reduce((sum, { kc }) => sum + kc, 0),
  ) as [number, number];
  const given = [...litres].filter(([on]) => on <= until);
  const sum = given.reduce((so, [, some]) => so + some, 0);
  if (all === 0 || over / all < WATER_TELLS_FROM || sum === 0) return new Map([...given, ...foreseen(season, until)]);
  return new Map([
    ...given,
    ...days.filter(({ on }) => on > until).map(({ on, kc }) => [on, (kc * sum) / over] as const),
  ]);
}

/** What plans foresee of the days after a date, and for those that no plan reaches as much for their Kc. */
function foreseen({ days, ahead }: DosedSeason, until: string): (readonly [string, number])[] {
  const left = days.filter(({ on }) => on > until);
  const reached = left.filter(({ on }) => ahead.has(on));
  const kc = reached.reduce((sum, day) => sum + day.kc, 0);
  if (kc === 0) return [];
  const perKc = reached.reduce((sum, { on }) => sum + (ahead.get(on) ?? 0), 0) / kc;
  return left.map((day) => [day.on, ahead.get(day.on) ?? day.kc * perKc] as const).filter(([, some]) => some > 0);
}

/** Spans of so many days of a season, from its first day on. */
export function spansOf(
  { days }: DosedSeason,
  length: number,
): readonly { readonly from: string; readonly to: string }[] {
  const [first, last] = [days[0]?.on, days.at(-1)?.on];
  if (first === undefined || last === undefined) return [];
  return Array.from({ length: Math.ceil(days.length / length) }, (_, at) => ({
    from: addDays(first, at * length),
    to: addDays(first, (at + 1) * length - 1),
  }));
}
