import { addDays } from "../../time/local-time.ts";
import { Checks } from "../../working/checks.ts";
import type { DoseSchedule } from "./calendar-input.ts";
import { MAIN, type MainAmounts } from "./nutrients.ts";
import { uptakeSpans, type UptakeDay } from "./uptake-curve.ts";

/** Ways to give a season's nutrients. */
export const SCHOOLS = ["ration", "dressings", "constant"] as const;
export type School = (typeof SCHOOLS)[number];

/** When a dressing is given: on a date, or so many days after a stage begins. */
export type DressingDay =
  | { readonly kind: "date"; readonly on: string }
  | { readonly kind: "stage"; readonly stageId: string; readonly days: number };

/** How a planting is to be fed in doses. */
export interface Programme {
  readonly school: School;
  /** of the ration: from one dose to the next */
  readonly everyDays: number;
  /** of dressings: shares of what is to be given, % */
  readonly dressings: readonly {
    readonly day: DressingDay;
    readonly sharePct: number;
    /** what must be so before it is given; null: it is given whatever comes */
    readonly onlyIf: string | null;
  }[];
  /** of constant feed: nitrogen in every litre, mg/L */
  readonly ppmN: number;
  /** share of all that goes out first, % */
  readonly basalPct: number;
  readonly largestNKgHa: number | null;
  readonly shortestDays: number | null;
  readonly lastOn: string | null;
}

/** A planting as far as its doses go by it. */
export interface DosedSeason {
  /** every day on which it is fed, in order */
  readonly days: readonly UptakeDay[];
  /** first day of each of its stages */
  readonly stages: ReadonlyMap<string, string>;
  /** litres given to the zone by date, as far as they are known or planned */
  readonly litres: ReadonlyMap<string, number>;
}

/**
 * Of what is given the crop takes up so much: N of many small liquid doses 70 to 90 %, of a few dressings 40 to 60 %; P by
 * removal; K in between. Ranges of practice, assumed; a person's own ledger corrects them.
 */
export const USUAL_EFFICIENCY: Readonly<Record<School, MainAmounts>> = {
  ration: { N: 80, P: 100, K: 85 },
  dressings: { N: 50, P: 100, K: 70 },
  constant: { N: 75, P: 100, K: 80 },
};

/** What a programme starts from where nobody made one. Usual practice; assumed. */
export function usualProgramme(school: School): Programme {
  return {
    school,
    everyDays: 7,
    dressings: [],
    ppmN: 100,
    basalPct: school === "dressings" ? 40 : 0,
    largestNKgHa: null,
    shortestDays: null,
    lastOn: null,
  };
}

const DAYS_A_WEEK = 7;
/** Where nobody said when, dressings come at the third, the sixth and the ninth week. Assumed. */
const USUAL_DRESSINGS = [14, 35, 56];

/**
 * A programme as a calendar can share it out.
 *
 * @throws {DomainError} for dressings that name no stage of this planting, and for constant feed while no litres are known
 */
export function scheduleOf(programme: Programme, toGive: MainAmounts, season: DosedSeason): DoseSchedule {
  const [first] = season.days;
  const startOn = first?.on ?? "";
  switch (programme.school) {
    case "ration":
      return {
        kind: "daily-rates",
        startOn,
        everyDays: programme.everyDays,
        weeks: uptakeSpans(season.days, DAYS_A_WEEK).map(({ days, share }) => ({
          weeks: days / DAYS_A_WEEK,
          kgHaDay: {
            N: (toGive.N * share) / days,
            P: (toGive.P * share) / days,
            K: (toGive.K * share) / days,
          },
        })),
      };
    case "dressings":
      return { kind: "shares", events: dressingsOf(programme, season) };
    case "constant": {
      const days = season.days.flatMap(({ on }) => {
        const litres = season.litres.get(on);
        return litres === undefined ? [] : [{ on, litres }];
      });
      new Checks()
        .when(
          days.length === 0,
          "missing",
          "school",
          "Nothing was watered yet: what a constant feed brings follows the litres.",
        )
        .done();
      return { kind: "constant-ppm", ppmN: programme.ppmN, days };
    }
  }
}

function dressingsOf(programme: Programme, season: DosedSeason): Extract<DoseSchedule, { kind: "shares" }>["events"] {
  const { dressings } = programme;
  if (dressings.length > 0) {
    const dated = datesOf(programme, season);
    return dressings.map(({ sharePct, onlyIf }, at) => ({
      ...{ on: dated[at] ?? "", sharePct },
      ...(onlyIf !== null && { onlyIf }),
    }));
  }
  const [first, last] = [season.days[0]?.on ?? "", season.days.at(-1)?.on ?? ""];
  const dates = USUAL_DRESSINGS.map((after) => addDays(first, after)).filter((on) => on <= last);
  const all = dates.length > 0 ? dates : [first];
  return all.map((on) => ({ on, sharePct: 100 / all.length }));
}

/** The date of each dressing. */
function datesOf({ dressings }: Programme, { days, stages }: DosedSeason): readonly string[] {
  const checks = new Checks();
  const dates = dressings.map(({ day }, at) => {
    if (day.kind === "date") return day.on;
    const began = stages.get(day.stageId);
    checks.when(
      began === undefined,
      "not-possible",
      `dressings.${at}.day.stageId`,
      `This planting has no stage ${day.stageId}.`,
    );
    return addDays(began ?? days[0]?.on ?? "", day.days);
  });
  checks.done();
  return dates;
}

/**
 * A programme as a person makes it: each dressing has its stage, and lies in the time in which the planting is fed. One that was
 * made may come to lie beyond it, where the planting ends sooner than was thought: it is still read.
 *
 * @throws {DomainError} for all dressings that do not
 */
export function checkDressings(programme: Programme, season: DosedSeason): void {
  if (programme.school !== "dressings") return;
  const [first, last] = [season.days[0]?.on ?? "", season.days.at(-1)?.on ?? ""];
  const checks = new Checks();
  datesOf(programme, season).forEach((on, at) =>
    checks.when(
      on < first || on > last,
      "out-of-range",
      `dressings.${at}.day`,
      `A dressing on ${on} lies outside the time in which this planting is fed, ${first} to ${last}.`,
    ),
  );
  checks.done();
}

/** Nutrients in so many litres of water, kg/ha. */
export function ofWater(litres: number, areaM2: number, { N, P, K }: MainAmounts): MainAmounts {
  const kgHa = (mgL: number): number => (litres * mgL * 1e-6) / (areaM2 / 1e4);
  return { N: kgHa(N), P: kgHa(P), K: kgHa(K) };
}

/** Sum of amounts, nutrient by nutrient. */
export function plus(...all: readonly MainAmounts[]): MainAmounts {
  const sum = { N: 0, P: 0, K: 0 };
  for (const amounts of all) for (const nutrient of MAIN) sum[nutrient] += amounts[nutrient];
  return sum;
}
