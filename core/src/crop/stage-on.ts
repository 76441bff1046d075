import { addDays, daysBetween } from "../time/local-time.ts";
import type { Crop } from "./crop.ts";
import { yearBegan, type Grown, type StagePeriod } from "./grown.ts";
import type { StageSign } from "./stage-course.ts";

/** An annual that nobody has cleared is taken to stand so long after its last stage, as picking may be drawn out. Assumed. */
const STANDS_ON_DAYS = 120;

/** What the stage asks for on one date, between the ends of the stage before and its own. */
export interface CropState {
  readonly period: StagePeriod;
  /** 1 on the first day */
  readonly day: number;
  readonly days: number;
  /** what its driver has counted by the end of the day */
  readonly done: number;
  readonly kc: number;
  readonly leafAreaIndex: number;
  readonly rootDepthM: number;
}

/** Leaf area under which a plant stands bare, m²/m². */
const LEAFLESS = 0.1;

export function isLeafless({ leafAreaIndex }: Pick<CropState, "leafAreaIndex">): boolean {
  return leafAreaIndex < LEAFLESS;
}

/**
 * Why a stage cannot have been seen to begin on a date: stages come in their order, and none before planting.
 *
 * @returns null where it can
 */
export function signFault(
  crop: Crop,
  plantedOn: string,
  { stageId, on }: StageSign,
  signs: readonly StageSign[],
): { readonly path: "stageId" | "on"; readonly message: string } | null {
  const place = (id: string): number => crop.stages.findIndex((stage) => stage.id === id);
  const at = place(stageId);
  const [stage] = at === -1 ? [] : crop.stages.slice(at);
  if (!stage) return { path: "stageId", message: `${crop.name} has no stage ${stageId}.` };
  if (at === 0)
    return {
      path: "stageId",
      message: `${stage.name} begins with planting, on ${plantedOn}; change the planting date.`,
    };
  if (on < plantedOn)
    return { path: "on", message: `${stage.name} cannot begin on ${on}, before planting on ${plantedOn}.` };
  const nameOf = (id: string): string => crop.stages[place(id)]?.name ?? id;
  const clash = signs.find((sign) => {
    const other = place(sign.stageId);
    return (other < at && sign.on >= on) || (other > at && sign.on <= on);
  });
  return clash
    ? {
        path: "on",
        message: `${stage.name} cannot begin on ${on}: ${nameOf(clash.stageId)} was seen on ${clash.on}, and comes ${place(clash.stageId) < at ? "before" : "after"} it.`,
      }
    : null;
}

/**
 * Stage and canopy of a planting on a date. A crop that nobody has cleared stays in its last stage for some months more; a
 * perennial begins its stages anew each year.
 *
 * @returns null before planting, and long after the last stage
 */
export function cropStateOn(grown: Grown, date: string): CropState | null {
  const { crop, plantedOn } = grown;
  if (date < plantedOn) return null;
  const periods = grown.periodsFrom(yearBegan(grown, date));
  const last = periods.at(-1);
  const isOver = last !== undefined && date >= last.endsOn;
  if (isOver && !crop.perennial && date >= addDays(last.endsOn, STANDS_ON_DAYS)) return null;
  const index = isOver
    ? periods.length - 1
    : periods.findIndex((period) => date >= period.startsOn && date < period.endsOn);
  const period = periods[index];
  if (!period) return null;
  const before = crop.stages[crop.stages.indexOf(period.stage) - 1];
  const days = daysBetween(period.startsOn, period.endsOn);
  const day = Math.min(days, daysBetween(period.startsOn, date) + 1);
  const done = period.sums[day - 1] ?? 0;
  const all = period.sums[days - 1] ?? 0;
  const share = all > 0 ? done / all : day / days;
  const between = (from: number, to: number): number => from + (to - from) * share;
  return {
    period,
    day,
    days,
    done,
    kc: between(before?.kcEnd ?? crop.kcStart, period.stage.kcEnd),
    leafAreaIndex: between(before?.leafAreaEnd ?? crop.leafAreaStart, period.stage.leafAreaEnd),
    rootDepthM: between(before?.rootDepthEndM ?? crop.rootDepthStartM, period.stage.rootDepthEndM),
  };
}
