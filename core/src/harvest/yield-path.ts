import type { Crop } from "../crop/crop.ts";
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
 * @param targetKgM2 yield aimed at, kg/m² of the zone's ground, 0 to 200
 * @returns kg/m², with how it came about
 */
export function yieldPath(
  { from, to }: PickingTime,
  targetKgM2: number,
  date: string,
): { readonly kgM2: number; readonly step: WorkingStep } {
  const days = daysBetween(from, to);
  const gone = Math.min(Math.max(daysBetween(from, addDays(date, 1)), 0), days);
  const kgM2 = days > 0 ? (targetKgM2 * gone) / days : targetKgM2;
  return {
    kgM2,
    step: {
      label: "Target's path",
      formula: "yield aimed at · days picked / days of picking",
      substituted: fill`${targetKgM2} × ${gone} ÷ ${days}`(),
      value: kgM2,
      unit: "kg/m²",
      source: `straight line from ${from} to ${to}, the picking stages; assumed by this program`,
    },
  };
}

/** A total of picks over the ground they came from, with the water that went in. */
export function pickedSoFar(
  kg: readonly number[],
  areaM2: number,
  litresGiven: number | null,
): { readonly kgM2: number; readonly litresPerKg: number | null; readonly steps: readonly WorkingStep[] } {
  const total = kg.reduce((sum, mass) => sum + mass, 0);
  const kgM2 = total / areaM2;
  const steps: WorkingStep[] = [
    {
      label: "Picked so far",
      formula: "Σ picks / area",
      substituted: fill`${total} kg ÷ ${areaM2} m²`(),
      value: kgM2,
      unit: "kg/m²",
      source: "picks as weighed since planting; struck ones are left out",
    },
  ];
  if (litresGiven === null || total === 0) return { kgM2, litresPerKg: null, steps };
  const litresPerKg = litresGiven / total;
  steps.push({
    label: "Water per kilo",
    formula: "water given since planting / Σ picks",
    substituted: fill`${litresGiven} L ÷ ${total} kg`(),
    value: litresPerKg,
    unit: "L/kg",
    source: "meter of the zone, all water since planting, drain included",
  });
  return { kgM2, litresPerKg, steps };
}
