import type { Standing } from "../../crop/planting.ts";
import { cropStateOn } from "../../crop/stage-on.ts";
import type { PublishedTarget } from "../recipe/published-targets.ts";
import { stageTarget } from "../recipe/targets.ts";
import { ionsMgL, type MainAmounts } from "./nutrients.ts";
import type { DosedSeason } from "./season.ts";
import { datesBetween } from "./uptake-curve.ts";

/** Facts of a planting's season beside its own stages. */
export interface SeasonFacts {
  readonly areaM2: number;
  /** by date, mol/m² */
  readonly light: ReadonlyMap<string, number>;
  readonly litres: ReadonlyMap<string, number>;
  readonly picks: readonly string[];
  /** asked for in every stage; null: as the library says of each */
  readonly target: Pick<PublishedTarget, "ions"> | null;
  /** of the water; null where nobody measured nitrate */
  readonly waterMgL: MainAmounts | null;
}

/** The last day on which a planting is fed. */
export function lastDayOf({ planting, since }: Pick<Standing, "planting" | "since">): string {
  const last = planting.periodsFrom(since).at(-1)?.endsOn ?? since;
  return planting.clearedOn !== null && planting.clearedOn < last ? planting.clearedOn : last;
}

/** The days on which a planting is fed: from the beginning of its season to its last stage, or until it is cleared. */
export function seasonOf(
  { planting, since }: Standing,
  { areaM2, light, litres, picks, target, waterMgL }: SeasonFacts,
): DosedSeason {
  const periods = planting.periodsFrom(since);
  const days = datesBetween(since, lastDayOf({ planting, since })).map((on) => ({
    on,
    kc: cropStateOn(planting, on)?.kc ?? 0,
  }));
  const recipes = periods.map(({ endsOn, stage }) => {
    const asked = target ?? stageTarget(stage);
    return { endsOn, adds: asked && waterMgL && beyond(ionsMgL(asked.ions), waterMgL) };
  });
  return {
    days,
    // How much nitrogen there is in the end is known with the need.
    nitrogenDays: days,
    stages: new Map(periods.map(({ id, startsOn }) => [id, startsOn])),
    picks,
    pickingFrom: periods.find(({ stage }) => stage.picking)?.startsOn ?? null,
    ...{ areaM2, litres, light, ahead: new Map<string, number>() },
    recipeMgL: (on) => (recipes.find(({ endsOn }) => on < endsOn) ?? recipes.at(-1))?.adds ?? null,
  };
}

/** What is asked for and not in the water already. */
function beyond(asked: MainAmounts, water: MainAmounts): MainAmounts {
  return {
    N: Math.max(0, asked.N - water.N),
    P: Math.max(0, asked.P - water.P),
    K: Math.max(0, asked.K - water.K),
  };
}
