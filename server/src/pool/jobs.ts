import type { ListKind } from "@sprunel/contract/exchange";
import { readWeatherTable } from "@sprunel/core/climate";
import { readShelfList, recipeCost, type RecipeCost, type RecipeInput } from "@sprunel/core/feed";
import { readPickList } from "@sprunel/core/harvest";
import { dayPlan, siteDay, type DayPlan, type DayPlanInput, type SiteDay, type SiteDayInput } from "@sprunel/core/plan";
import { readReadingList, readSoilList } from "@sprunel/core/rootzone";
import { readWaterTable } from "@sprunel/core/water";
import type { Source } from "@sprunel/core/table";
import { openedFile } from "./container.ts";
import { withSolver } from "./highs-solver.ts";
import { remembering } from "./remembering.ts";

/** What a file of weather or of a list is read by; the readers take what is theirs. */
type Choices<Read extends (source: Source, choices: never) => unknown> = Parameters<Read>[1];

/** A file as it was sent, and the sheet of a workbook that somebody chose. */
interface SentFile {
  readonly bytes: Uint8Array;
  readonly sheet?: string | undefined;
}

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
  "weather-table": ({ bytes, sheet, choices }: SentFile & { choices: Choices<typeof readWeatherTable> }) =>
    readWeatherTable(openedFile(bytes, sheet), choices),
  "water-table": ({ bytes, sheet, choices }: SentFile & { choices: Choices<typeof readWaterTable> }) =>
    readWaterTable(openedFile(bytes, sheet), choices),
  list({ kind, bytes, sheet, choices }: ListJob<ListKind>): ReadList<ListKind> {
    const read: (source: Source, choices: never) => ReadList<ListKind> = LISTS[kind];
    return read(openedFile(bytes, sheet), choices as never);
  },
} as const;

export interface ListJob<K extends ListKind> extends SentFile {
  readonly kind: K;
  readonly choices: Choices<(typeof LISTS)[K]>;
}

export type Jobs = typeof JOBS;
export type JobName = keyof Jobs;
