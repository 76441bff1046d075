import type { ListKind } from "@sprunel/contract/exchange";
import { readWeatherTable } from "@sprunel/core/climate";
import { readShelfList, recipeCost, type RecipeCost, type RecipeInput } from "@sprunel/core/feed";
import { readPickList } from "@sprunel/core/harvest";
import { dayPlan, siteDay, type DayPlan, type DayPlanInput, type SiteDay, type SiteDayInput } from "@sprunel/core/plan";
import { readReadingList, readSoilList } from "@sprunel/core/rootzone";
import { readWaterTable } from "@sprunel/core/water";
import { withSolver } from "./highs-solver.ts";
import { remembering } from "./remembering.ts";

/** What a file of weather or of a list is read by; the readers take what is theirs. */
type Choices<Read extends (bytes: Uint8Array, choices: never) => unknown> = Parameters<Read>[1];

const LISTS = {
  readings: readReadingList,
  "soil-tests": readSoilList,
  picks: readPickList,
  shelf: readShelfList,
} satisfies Record<ListKind, unknown>;
export type ReadList<K extends ListKind> = ReturnType<(typeof LISTS)[K]>;

/** Half a second finds most of what there is to gain in a day, and nobody else waits long for it. */
const USUAL_SEARCH_S = 0.5;

/** A first plan may take so long beyond the search; a day too large for that is packed. */
const FIRST_PLAN_MS = 1000;

const remember = remembering();

/** What is done off the main thread: heavy sums and strangers' files. They compute only: the database stays where it is. */
export const JOBS = {
  "day-plan": (input: DayPlanInput): DayPlan => {
    const endMs = performance.now() + (input.timeLimitS ?? USUAL_SEARCH_S) * 1000;
    return dayPlan(
      input,
      () => performance.now() < endMs,
      () => performance.now() < endMs + FIRST_PLAN_MS,
    );
  },
  "site-day": ({ input, timeLimitS }: { readonly input: SiteDayInput; readonly timeLimitS: number }): SiteDay => {
    const endMs = performance.now() + timeLimitS * 1000;
    return siteDay(
      input,
      () => performance.now() < endMs,
      () => performance.now() < endMs + FIRST_PLAN_MS,
    );
  },
  "recipe-cost": (question: RecipeInput): Promise<RecipeCost> =>
    withSolver((solver) => recipeCost(question, remember(solver))),
  "weather-table": ({ bytes, choices }: { bytes: Uint8Array; choices: Choices<typeof readWeatherTable> }) =>
    readWeatherTable(bytes, choices),
  "water-table": ({ bytes, choices }: { bytes: Uint8Array; choices: Choices<typeof readWaterTable> }) =>
    readWaterTable(bytes, choices),
  list({ kind, bytes, choices }: ListJob<ListKind>): ReadList<ListKind> {
    const read: (bytes: Uint8Array, choices: never) => ReadList<ListKind> = LISTS[kind];
    return read(bytes, choices as never);
  },
} as const;

export interface ListJob<K extends ListKind> {
  readonly kind: K;
  readonly bytes: Uint8Array;
  readonly choices: Choices<(typeof LISTS)[K]>;
}

export type Jobs = typeof JOBS;
export type JobName = keyof Jobs;
