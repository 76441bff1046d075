import { addDays, daysBetween } from "../time/local-time.ts";
import type { Crop } from "./crop.ts";
import type { Grown, StagePeriod } from "./grown.ts";
import { pondOn, type PondRule } from "./practice.ts";
import { seasonStages, yearBegan, yearOf } from "./season.ts";
import type { StageSign } from "./stage-course.ts";
import { drippersFromStemCm, type Stood, type WaterAim } from "./stand.ts";

/** An annual that nobody has cleared is taken to stand so long after its last stage, as picking may be drawn out. Assumed. */
const STANDS_ON_DAYS = 120;

/** What the stage asks for on one date, between the ends of the stage before and its own. */
export interface CropState {
  readonly period: StagePeriod;
  /** 1 on the first day */
  readonly day: number;
  readonly days: number;
  /** whether its season begins with this day */
  readonly begins: boolean;
  /** what its driver has counted by the end of the day */
  readonly done: number;
  readonly kc: number;
  readonly leafAreaIndex: number;
  readonly rootDepthM: number;
  /** what it is watered for; a crop of one season for its yield */
  readonly aim: WaterAim;
  /** dry-down wished, added to the soil's trigger, % of the available water */
  readonly drierPct: number;
  /** where its drippers were set, cm from the stem; null where nobody said */
  readonly fromStemCm: number | null;
  /** how a basin's water is kept; null where the crop says nothing of it */
  readonly pond: PondRule | null;
}

/** A planting that is kept alive only dries by so much more before it is watered, % of the available water. Assumed. */
const KEEP_ALIVE_DRIER_PCT = 30;
/** Perennials get regular water for so many years. Usual practice. */
const ESTABLISH_YEARS = 2;

function aimOf(grown: Grown, date: string): WaterAim {
  if (!grown.crop.perennial) return "yield";
  return yearOf(grown, date) <= (grown.establishYears ?? ESTABLISH_YEARS) ? "establish" : (grown.waterAim ?? "yield");
}

/** While roots establish nothing is dried on purpose; what is only kept alive is let dry further. */
function drierOf(aim: WaterAim, stagePct: number): number {
  if (aim === "establish") return 0;
  return aim === "keep-alive" ? Math.max(stagePct, KEEP_ALIVE_DRIER_PCT) : stagePct;
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
  planting: Stood & { readonly crop: Crop },
  since: string,
  { stageId, on }: StageSign,
  signs: readonly StageSign[],
): { readonly path: "stageId" | "on"; readonly message: string } | null {
  const season = seasonStages(planting, since);
  const place = (id: string): number => season.findIndex((stage) => stage.id === id);
  const at = place(stageId);
  const [stage] = at === -1 ? [] : season.slice(at);
  if (!stage) return { path: "stageId", message: `${planting.crop.name} has no stage ${stageId}.` };
  if (at === 0)
    return {
      path: "stageId",
      message:
        since === planting.plantedOn
          ? `${stage.name} begins with planting, on ${since}; change the planting date.`
          : `${stage.name} begins with the season, on ${since}.`,
    };
  if (on < since) return { path: "on", message: `${stage.name} cannot begin on ${on}, before planting on ${since}.` };
  const nameOf = (id: string): string => season[place(id)]?.name ?? id;
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
  const startOn = yearBegan(grown, date);
  const periods = grown.periodsFrom(startOn);
  const last = periods.at(-1);
  const isOver = last !== undefined && date >= last.endsOn;
  if (isOver && !crop.perennial && date >= addDays(last.endsOn, STANDS_ON_DAYS)) return null;
  const index = isOver
    ? periods.length - 1
    : periods.findIndex((period) => date >= period.startsOn && date < period.endsOn);
  const period = periods[index];
  if (!period) return null;
  const days = daysBetween(period.startsOn, period.endsOn);
  const aim = aimOf(grown, date);
  const day = Math.min(days, daysBetween(period.startsOn, date) + 1);
  const done = period.sums[day - 1] ?? 0;
  const all = period.sums[days - 1] ?? 0;
  const share = all > 0 ? done / all : day / days;
  const between = (from: number, to: number): number => from + (to - from) * share;
  return {
    period,
    day,
    days,
    begins: index === 0 && date === period.startsOn,
    done,
    kc: between(period.kcStart, period.stage.kcEnd),
    leafAreaIndex: between(period.leafAreaStart, period.stage.leafAreaEnd),
    rootDepthM: between(period.rootDepthStartM, period.stage.rootDepthEndM),
    aim,
    drierPct: drierOf(aim, period.stage.drierPct),
    fromStemCm: drippersFromStemCm(grown, date),
    pond: pondOn(grown, startOn, date),
  };
}
