import { addDays, daysBetween } from "../../time/local-time.ts";
import type { Checks } from "../../working/checks.ts";
import type { DosedSeason } from "./season.ts";

/** When a dressing is given: on a date, or so many days after planting, after a stage begins, or after a pick. */
export type DressingDay =
  | { readonly kind: "date"; readonly on: string }
  | { readonly kind: "planting"; readonly days: number }
  | { readonly kind: "stage"; readonly stageId: string; readonly days: number }
  /** the first pick is 1 */
  | { readonly kind: "pick"; readonly pick: number; readonly days: number };

export interface DressingTimes {
  readonly day: DressingDay;
  /** again and again after it; null: once */
  readonly repeat: { readonly everyDays: number; readonly until: DressingDay } | null;
  /** what must be so before it is given; null: it is given whatever comes */
  readonly onlyIf: string | null;
}

export interface DressingDate {
  readonly on: string;
  readonly onlyIf: string | null;
}

/** Until two picks tell how far apart they come. Assumed. */
const USUAL_PICK_DAYS = 7;
const MOST_TIMES = 60;

/**
 * Every day on which a dressing is given. One that waits for a pick which has not come yet stands on the day on which that pick
 * is expected, and hangs on it.
 *
 * @param path of the dressing, for what is wrong with it
 */
export function dressingDates(
  { day, repeat, onlyIf }: DressingTimes,
  season: DosedSeason,
  checks: Checks,
  path: string,
): readonly DressingDate[] {
  const first = dateOf(day, season, checks, `${path}.day`);
  const hung = { onlyIf: [first.waitsFor, onlyIf].filter((condition) => condition !== null).join(", and ") || null };
  if (!repeat) return [{ on: first.on, ...hung }];
  const until = dateOf(repeat.until, season, checks, `${path}.repeat.until`).on;
  const last = season.days.at(-1)?.on ?? until;
  const end = until < last ? until : last;
  const times = Math.max(1, Math.floor(daysBetween(first.on, end) / repeat.everyDays) + 1);
  checks
    .when(
      until < first.on,
      "not-possible",
      `${path}.repeat.until`,
      `A dressing that begins on ${first.on} cannot be repeated until ${until}.`,
    )
    .when(
      times > MOST_TIMES,
      "out-of-range",
      `${path}.repeat`,
      `A dressing is repeated ${MOST_TIMES} times at most, not ${times}.`,
    );
  return Array.from({ length: Math.min(times, MOST_TIMES) }, (_, at) => ({
    on: addDays(first.on, at * repeat.everyDays),
    ...hung,
  }));
}

function dateOf(
  day: DressingDay,
  { days, stages, picks, pickingFrom }: DosedSeason,
  checks: Checks,
  path: string,
): { readonly on: string; readonly waitsFor: string | null } {
  const planted = days[0]?.on ?? "";
  switch (day.kind) {
    case "date":
      return { on: day.on, waitsFor: null };
    case "planting":
      return { on: addDays(planted, day.days), waitsFor: null };
    case "stage": {
      const began = stages.get(day.stageId);
      checks.when(began === undefined, "not-possible", `${path}.stageId`, `This planting has no stage ${day.stageId}.`);
      return { on: addDays(began ?? planted, day.days), waitsFor: null };
    }
    case "pick": {
      const done = picks[day.pick - 1];
      if (done !== undefined) return { on: addDays(done, day.days), waitsFor: null };
      checks.when(
        pickingFrom === null && picks.length === 0,
        "not-possible",
        `${path}.pick`,
        "This planting is not picked; say a date or a stage.",
      );
      return { on: addDays(expectedPick(day.pick, picks, pickingFrom ?? planted), day.days), waitsFor: waiting(day) };
    }
  }
}

function waiting({ pick }: { readonly pick: number }): string {
  return `pick ${pick} is over`;
}

function expectedPick(pick: number, picks: readonly string[], pickingFrom: string): string {
  const [first, last] = [picks[0], picks.at(-1)];
  if (first === undefined || last === undefined) return addDays(pickingFrom, (pick - 1) * USUAL_PICK_DAYS);
  const apart = picks.length > 1 ? daysBetween(first, last) / (picks.length - 1) : USUAL_PICK_DAYS;
  return addDays(last, Math.round((pick - picks.length) * apart));
}
