import { addDays, daysBetween } from "../time/local-time.ts";
import { fill, type WorkingStep } from "../working/working.ts";

interface SupplyInput {
  /** the day of the level; the first day drawn on is this one */
  readonly date: string;
  readonly levelM3: number;
  readonly capacityM3: number;
  /** m³ that zones will take on each day from `date` on, as many as are looked at */
  readonly useM3: readonly number[];
  /** mm of rain on each day from `date` on, as foreseen; after them `usualRainMm` */
  readonly rainMm: readonly number[];
  readonly usualRainMm: number;
  /** roof that runs into the storage; 0 without one */
  readonly roofM2: number;
  /** share of rain that arrives, % */
  readonly runoffPct: number;
  /** water that comes on fixed days */
  readonly turn?: Turn | null | undefined;
}

interface Turn {
  readonly firstOn: string;
  readonly everyDays: number;
  readonly m3: number;
}

/** Whether the water comes on a date. */
export function isTurn({ firstOn, everyDays }: Turn, date: string): boolean {
  const days = daysBetween(firstOn, date);
  return days >= 0 && days % everyDays === 0;
}

/** The first day from a date on which the water comes. */
export function nextTurn({ firstOn, everyDays }: Turn, date: string): string {
  const days = daysBetween(firstOn, date);
  return addDays(firstOn, Math.max(0, Math.ceil(days / everyDays)) * everyDays);
}

interface Supply {
  /** on the evening of each day */
  readonly levels: readonly { readonly date: string; readonly m3: number }[];
  /** whole days until it is empty; null when it is not within the days looked at */
  readonly daysLeft: number | null;
  readonly steps: readonly WorkingStep[];
}

/**
 * A storage over the coming weeks: what the zones take, what the roof and turns bring, what spills.
 *
 * The longer the look, the less it is worth.
 */
export function projectStorage(input: SupplyInput): Supply {
  const { date, levelM3, capacityM3, useM3, rainMm, usualRainMm, roofM2, runoffPct } = input;
  const catchM3 = (mm: number): number => (mm * roofM2 * runoffPct) / 100_000;
  const levels: { date: string; m3: number }[] = [];
  let level = levelM3;
  let daysLeft: number | null = null;
  for (const [day, takenM3] of useM3.entries()) {
    const turned = input.turn && isTurn(input.turn, addDays(date, day)) ? input.turn.m3 : 0;
    const wanted = level + turned + catchM3(rainMm[day] ?? usualRainMm) - takenM3;
    if (wanted < 0 && daysLeft === null) daysLeft = day;
    level = Math.min(capacityM3, Math.max(0, wanted));
    levels.push({ date: addDays(date, day), m3: level });
  }
  const total = useM3.reduce((sum, m3) => sum + m3, 0);
  const foreseen = rainMm.reduce((sum, mm) => sum + catchM3(mm), 0);
  return {
    levels,
    daysLeft,
    steps: [
      {
        label: "From the roof, as foreseen",
        formula: "rain · roof · share that arrives",
        substituted: fill`${rainMm.reduce((sum, mm) => sum + mm, 0)} mm × ${roofM2} m² × ${runoffPct / 100}`(),
        value: foreseen,
        unit: `m³ in ${rainMm.length} days`,
        source: `forecast; after it ${usualRainMm.toFixed(1)} mm a day as of late`,
      },
      {
        label: "Taken by the zones, as foreseen",
        formula: "Σ plans as far as they reach; then area · Kc · ET₀ · litres for each of demand",
        substituted: fill`${total / Math.max(1, useM3.length)} m³ a day on ${useM3.length} days`(),
        value: total,
        unit: `m³ in ${useM3.length} days`,
        source: "FAO-56, eq. 58; forecast, after it the sun above the air (eq. 21)",
      },
      {
        label: "Days left",
        formula: "evenings until level + roof − use falls under none",
        substituted: fill`${levelM3} m³, day by day`(),
        value: daysLeft ?? useM3.length,
        unit: daysLeft === null ? "days or more" : "days",
        source: "water balance of the storage",
      },
    ],
  };
}
