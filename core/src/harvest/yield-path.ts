import type { Crop, SoldAs } from "../crop/crop.ts";
import type { Planting } from "../crop/planting.ts";
import { stagePeriods } from "../crop/stage-on.ts";
import { addDays, daysBetween } from "../time/local-time.ts";
import { fill, type WorkingStep } from "../working/working.ts";

/** When a planting is picked: from the first day of its first picking stage to the first day after its last. */
interface PickingTime {
  readonly from: string;
  readonly to: string;
}

/** @returns null for a crop that the library gives no picking stage */
export function pickingTime(crop: Crop, { plantedOn, clearedOn, signs }: Planting): PickingTime | null {
  const periods = stagePeriods(crop, plantedOn, signs).filter(({ stage }) => stage.picking);
  const [first, last] = [periods[0], periods.at(-1)];
  if (!first || !last) return null;
  return { from: first.startsOn, to: clearedOn !== null && clearedOn < last.endsOn ? clearedOn : last.endsOn };
}

/**
 * What should have come off by the evening of a date to reach a yield: a straight line over the picking stages.
 *
 * The line is this program's own assumption. Real flushes swing about it; a season's own picks are the better path.
 *
 * @param targetPerM2 yield aimed at, kg or pieces per m² of the zone's ground, 0 to 2000
 * @returns in the same unit, with how it came about
 */
export function yieldPath(
  { from, to }: PickingTime,
  targetPerM2: number,
  date: string,
  soldAs: SoldAs,
): { readonly perM2: number; readonly step: WorkingStep } {
  const days = daysBetween(from, to);
  const gone = Math.min(Math.max(daysBetween(from, addDays(date, 1)), 0), days);
  const perM2 = days > 0 ? (targetPerM2 * gone) / days : targetPerM2;
  return {
    perM2,
    step: {
      label: "Target's path",
      formula: "yield aimed at · days picked / days of picking",
      substituted: fill`${targetPerM2} × ${gone} ÷ ${days}`(),
      value: perM2,
      unit: unitOf(soldAs),
      source: `straight line from ${from} to ${to}, the picking stages; assumed by this program`,
    },
  };
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
