import type { Dilution } from "../../crop/crop.ts";
import { addDays, daysBetween } from "../../time/local-time.ts";

/** One day of a planting, as far as its uptake goes by it. */
export interface UptakeDay {
  readonly on: string;
  /** its weight: what the crop transpires against a reference, its Kc on its own ground; or what it takes up */
  readonly kc: number;
}

/** A span of days with the share of the season's uptake that falls into it, 0 to 1. */
export interface UptakeSpan {
  readonly from: string;
  readonly days: number;
  readonly share: number;
}

/**
 * How a season's uptake spreads over its days: as dry matter is made, and that as the crop transpires. Each day's share is its
 * Kc over the sum of all.
 *
 * @param days one after the other, at least one
 * @returns spans of so many days, the last as long as is left; their shares add up to 1
 * @see Steduto, Hsiao, Raes & Fereres (2009), Agronomy Journal 101:426–437: dry matter is water productivity · Σ Tr/ET₀. That N, P
 *   and K follow dry matter alike is assumed; nitrogen runs ahead of it in young crops.
 */
export function uptakeSpans(days: readonly UptakeDay[], spanDays: number): readonly UptakeSpan[] {
  const total = days.reduce((sum, { kc }) => sum + kc, 0);
  const spans: UptakeSpan[] = [];
  for (let at = 0; at < days.length; at += spanDays) {
    const part = days.slice(at, at + spanDays);
    const [first] = part;
    if (!first) break;
    const sum = part.reduce((so, { kc }) => so + kc, 0);
    spans.push({ from: first.on, days: part.length, share: total > 0 ? sum / total : part.length / days.length });
  }
  return spans;
}

/** Share of the season's uptake that is over by the evening of a date, 0 to 1. */
export function uptakeDone(days: readonly UptakeDay[], date: string): number {
  const total = days.reduce((sum, { kc }) => sum + kc, 0);
  const done = days.filter(({ on }) => on <= date).reduce((sum, { kc }) => sum + kc, 0);
  return total > 0 ? done / total : 0;
}

/**
 * The most of a nutrient that lies in the ground at once: what was given by then beyond what is needed by then. A heavy rain or a
 * flush can take it.
 *
 * @param needed of the whole season, kg/ha, taken up as the days go
 * @param doses in order of time, kg/ha
 * @returns kg/ha and the day; 0 where nothing is ever ahead of need
 */
export function mostAhead(
  days: readonly UptakeDay[],
  needed: number,
  doses: readonly { readonly on: string; readonly kgHa: number }[],
): { readonly on: string | null; readonly kgHa: number } {
  let [given, most]: [number, { on: string | null; kgHa: number }] = [0, { on: null, kgHa: 0 }];
  for (const { on, kgHa } of doses) {
    // The morning after the evening before: what is taken up on the day itself was not yet.
    given += kgHa;
    const ahead = given - needed * uptakeDone(days, addDays(on, -1));
    if (ahead > most.kgHa) most = { on, kgHa: ahead };
  }
  return most;
}

/**
 * The days of a season weighed by the nitrogen that is taken up on each: while dry matter grows as the crop transpires, nitrogen
 * thins out in it, so that young growth takes more of it.
 *
 * @param uptakeKgHa nitrogen of the whole season; it tells how much dry matter there is in the end
 * @see Greenwood et al. (1990), Annals of Botany 66:425–436; Lemaire & Gastal (1997): N % = a · W^−b above 1 t/ha, constant below
 */
export function nitrogenDays(
  days: readonly UptakeDay[],
  uptakeKgHa: number,
  { aPct, b }: Pick<Dilution, "aPct" | "b">,
): readonly UptakeDay[] {
  const held = (tHa: number): number => KG_PER_TONNE_AND_PCT * aPct * (tHa > 1 ? tHa ** (1 - b) : tHa);
  const perTonne = uptakeKgHa / (KG_PER_TONNE_AND_PCT * aPct);
  const end = perTonne > 1 ? perTonne ** (1 / (1 - b)) : perTonne;
  const total = days.reduce((sum, { kc }) => sum + kc, 0);
  if (total === 0 || end === 0) return days;
  let [grown, before] = [0, 0];
  return days.map(({ on, kc }) => {
    grown += (end * kc) / total;
    const now = held(grown);
    const taken = now - before;
    before = now;
    return { on, kc: taken };
  });
}
const KG_PER_TONNE_AND_PCT = 10;

/** Every date from one to before another. */
export function datesBetween(from: string, to: string): readonly string[] {
  return Array.from({ length: Math.max(0, daysBetween(from, to)) }, (_, day) => addDays(from, day));
}
