import type { Crop, SoldAs } from "../crop/crop.ts";
import type { Grown } from "../crop/grown.ts";
import { addDays, daysBetween } from "../time/local-time.ts";
import { fill, type WorkingStep } from "../working/working.ts";

/** When a planting is picked: from the first day of its first picking stage to the first day after its last. */
export interface PickingTime {
  readonly from: string;
  readonly to: string;
}

/**
 * @param since first day of the season
 * @returns null for a crop that the library gives no picking stage
 */
export function pickingTime({ clearedOn, periodsFrom }: Grown, since: string): PickingTime | null {
  const periods = periodsFrom(since).filter(({ stage }) => stage.picking);
  const [first, last] = [periods[0], periods.at(-1)];
  if (!first || !last) return null;
  return { from: first.startsOn, to: clearedOn !== null && clearedOn < last.endsOn ? clearedOn : last.endsOn };
}

/**
 * How steep the logistic path is over its picking time, assumed: where a planting is picked again and again, a quarter of the
 * yield comes in the first third; where each plant is cut or sold once, its dates lie about the middle with a standard deviation
 * of 0.23 of that time.
 */
const STEEPNESS = { mass: 4, piece: 8 } as const;

/**
 * What should have come off by the evening of a date to reach a yield: along a logistic curve where a planting is picked again
 * and again, steeper where each plant is cut or sold once. Real flushes swing about it; a season's own picks are the better path.
 *
 * @param targetPerM2 yield aimed at, kg or pieces per m² of the zone's ground, 0 to 2000
 * @param byWarmth share of the picking time that is over by the warmth that it has had, where that is known; else days count
 * @returns in the same unit, with how it came about
 */
export function yieldPath(
  { from, to }: PickingTime,
  targetPerM2: number,
  date: string,
  soldAs: SoldAs,
  byWarmth: number | null = null,
): { readonly perM2: number; readonly step: WorkingStep } {
  const days = daysBetween(from, to);
  const daysGone = Math.min(Math.max(daysBetween(from, addDays(date, 1)), 0), days);
  const isOver = daysGone === days;
  // Once cleared or past its time all of it should have come off, however cold it was.
  const gone = isOver ? 1 : Math.min(1, byWarmth !== null && daysGone > 0 ? byWarmth : daysGone / days);
  const steepness = STEEPNESS[soldAs.kind];
  const perM2 = targetPerM2 * logisticShare(gone, steepness);
  return {
    perM2,
    step: {
      label: "Target's path",
      formula: `yield aimed at · 1 / (1 + e^(−${steepness} · (t − ½))), stretched to run from 0 to all`,
      substituted: fill`${targetPerM2}, t = ${gone}`(),
      value: perM2,
      unit: unitOf(soldAs),
      source: `logistic, t the share of ${from} to ${to} that is over by ${byWarmth === null ? "days" : "warmth"}; steepness assumed by this program`,
    },
  };
}

/** From 0 at none to 1 at all of the time. */
function logisticShare(gone: number, steepness: number): number {
  const at = (t: number): number => 1 / (1 + Math.exp(-steepness * (t - 0.5)));
  return (at(gone) - at(0)) / (at(1) - at(0));
}

/**
 * Share of a picking time that is over by the warmth that it has had: each of its days needs as much as the climate in which the
 * lengths of the crop's stages hold.
 *
 * @param pickingCd warmth above the crop's base since picking began, °C·d
 */
export function goneByWarmth({ from, to }: PickingTime, { baseC, usualC }: Crop, pickingCd: number): number {
  return Math.min(1, pickingCd / ((usualC.value - baseC.value) * daysBetween(from, to)));
}

/** The unit of a yield per ground: kg/m², heads/m², pots/m². */
function unitOf(soldAs: SoldAs): string {
  return soldAs.kind === "mass" ? "kg/m²" : `${soldAs.many}/m²`;
}

/** What one pick counts for, as its crop is sold; null where just that was not noted. */
export function pickedAmount(
  { massKg, count }: { readonly massKg: number | null; readonly count: number | null },
  soldAs: SoldAs,
): number | null {
  return soldAs.kind === "mass" ? massKg : count;
}

/** A total of picks over the ground they came from, with the water that went in. */
export function pickedSoFar(
  amounts: readonly number[],
  areaM2: number,
  litresGiven: number | null,
  soldAs: SoldAs,
): { readonly perM2: number; readonly litresPerUnit: number | null; readonly steps: readonly WorkingStep[] } {
  const one = soldAs.kind === "mass" ? "kg" : soldAs.one;
  const many = soldAs.kind === "mass" ? "kg" : soldAs.many;
  const total = amounts.reduce((sum, amount) => sum + amount, 0);
  const perM2 = total / areaM2;
  const steps: WorkingStep[] = [
    {
      label: "Picked so far",
      formula: "Σ picks / area",
      substituted: `${fill`${total}`()} ${many} ÷ ${fill`${areaM2}`()} m²`,
      value: perM2,
      unit: unitOf(soldAs),
      source: "picks as noted since planting; struck ones are left out",
    },
  ];
  if (litresGiven === null || total === 0) return { perM2, litresPerUnit: null, steps };
  const litresPerUnit = litresGiven / total;
  steps.push({
    label: soldAs.kind === "mass" ? "Water per kilo" : `Water per ${one}`,
    formula: "water given since planting / Σ picks",
    substituted: `${fill`${litresGiven}`()} L ÷ ${fill`${total}`()} ${many}`,
    value: litresPerUnit,
    unit: `L/${one}`,
    source: "meter of the zone, all water since planting, drain included",
  });
  return { perM2, litresPerUnit, steps };
}
