import type { ListKind } from "@sprunel/contract/exchange";
import { readWeatherFile } from "@sprunel/core/climate";
import { readShelfList } from "@sprunel/core/feed/products";
import { recipeCost, type RecipeCost, type RecipeInput } from "@sprunel/core/feed/recipe";
import { readTissueSheet } from "@sprunel/core/feed/doses";
import { readPickList } from "@sprunel/core/harvest";
import {
  dayPlan,
  siteDay,
  type DayPlan,
  type DayPlanInput,
  type SiteDay,
  type SiteDayInput,
} from "@sprunel/core/schedule";
import { readReadingList, readSoilList } from "@sprunel/core/rootzone";
import { readOrganicTable, readWaterTable } from "@sprunel/core/water";
import type { Source, Table } from "@sprunel/core/table";
import { createHash } from "node:crypto";
import { openedFile } from "../container/opened-file.ts";
import { withSolver } from "./highs-solver.ts";
import { remembering } from "./remembering.ts";

/** What a file of weather or of a list is read by; the readers take what is theirs. */
type Choices<Read extends (source: Source, choices: never) => unknown> = Parameters<Read>[1];

/** A file as it was sent, and the sheet of a workbook that somebody chose. */
interface SentFile {
  readonly bytes: Uint8Array;
  readonly sheet?: string | undefined;
}

/** Tells whoever waits what is being done. */
export type Step = (words: string) => void;

/** The last file: whoever settles how it is read has it opened once, and who then imports it has it read once. */
let last: { readonly of: string; readonly table: Table; by: string; read: unknown } | null = null;

/** A file as a reader reads it by what was chosen. */
function readAs<R>(
  kind: string,
  { bytes, sheet, choices }: SentFile & { readonly choices: object | undefined },
  read: (table: Table, choices: never) => R,
  step: Step,
): R {
  const of = `${createHash("sha1").update(bytes).digest("hex")} ${sheet ?? ""}`;
  if (last?.of !== of) {
    last = null;
    step(`opening a file of ${(bytes.length / 1e6).toFixed(bytes.length < 1e6 ? 2 : 0)} MB`);
    last = { of, table: openedFile(bytes, sheet), by: "", read: undefined };
  }
  const by = JSON.stringify([kind, choices]);
  if (last.by !== by) {
    step(`looking at ${last.table.records.length} rows`);
    Object.assign(last, { by: "", read: undefined });
    Object.assign(last, { read: read(last.table, choices as never), by });
  }
  return last.read as R;
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
  "site-day": ({ input, timeLimitS, halted }: SiteDayJob): SiteDay => {
    const endMs = performance.now() + timeLimitS * 1000;
    return siteDay(
      input,
      () => performance.now() < endMs && (halted === undefined || Atomics.load(halted, 0) === 0),
      () => performance.now() < endMs + FIRST_PLAN_MS,
    );
  },
  "recipe-cost": (question: RecipeInput): Promise<RecipeCost> =>
    withSolver((solver) => recipeCost(question, remember(solver))),
  "weather-file": (file: SentFile & { choices: Choices<typeof readWeatherFile> }, step: Step) =>
    readAs("weather", file, readWeatherFile, step),
  "water-table": (file: SentFile & { choices: Choices<typeof readWaterTable> }, step: Step) =>
    readAs("water", file, readWaterTable, step),
  "organic-table": (file: SentFile & { choices: Choices<typeof readOrganicTable> }, step: Step) =>
    readAs("organic", file, readOrganicTable, step),
  "tissue-sheet": (file: SentFile & { choices: Choices<typeof readTissueSheet> }, step: Step) =>
    readAs("tissue", file, readTissueSheet, step),
  list: (file: ListJob<ListKind>, step: Step): ReadList<ListKind> =>
    readAs<ReadList<ListKind>>(file.kind, file, LISTS[file.kind], step),
} as const;

interface SiteDayJob {
  readonly input: SiteDayInput;
  /** how long a better day is looked for */
  readonly timeLimitS: number;
  /** shared: as soon as it is not 0, what is found is enough */
  readonly halted?: Int32Array | undefined;
}

export interface ListJob<K extends ListKind> extends SentFile {
  readonly kind: K;
  readonly choices: Choices<(typeof LISTS)[K]>;
}

export type Jobs = typeof JOBS;
export type JobName = keyof Jobs;
