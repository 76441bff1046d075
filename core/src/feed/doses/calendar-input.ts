import { isCalendarDate } from "../../climate/reference-et-input.ts";
import { Checks } from "../../working/checks.ts";
import { productsInFull, type ProductChoice } from "../recipe/product-choices.ts";
import { USUAL_TANK_TEMPERATURE_C } from "../recipe/recipe-input.ts";
import type { Product } from "../products/product.ts";
import { checkChanges, type DoseChange } from "./changes.ts";
import { contentOf, MAIN, type Main, type MainAmounts } from "./nutrients.ts";

interface DailyRate {
  readonly weeks: number;
  readonly kgHaDay: { readonly N: number; readonly P?: number | undefined; readonly K?: number | undefined };
}

interface DoseEvent {
  readonly on: string;
  /** of nitrogen, and of the others where nothing else is said, % */
  readonly sharePct: number;
  readonly shareP?: number | undefined;
  readonly shareK?: number | undefined;
  /** of which products it is made; of any when left out */
  readonly productIds?: readonly string[] | undefined;
  /** what must be so before it is given, in a person's words; none: it is given whatever comes */
  readonly onlyIf?: string | undefined;
}

export type DoseSchedule =
  | { readonly kind: "shares"; readonly events: readonly DoseEvent[] }
  | { readonly kind: "equal"; readonly dates: readonly string[] }
  | {
      readonly kind: "daily-rates";
      readonly startOn: string;
      readonly weeks: readonly DailyRate[];
      /** from one dose to the next */
      readonly everyDays: number;
    }
  /** mg of N in a litre; litres are those of the whole zone */
  | {
      readonly kind: "constant-ppm";
      readonly ppmN: number;
      readonly days: readonly { readonly on: string; readonly litres: number }[];
    }
  /** mg of each in a litre, beside what the water itself brings */
  | {
      readonly kind: "with-water";
      readonly days: readonly { readonly on: string; readonly litres: number; readonly mgL: MainAmounts }[];
    };

export interface DoseCalendarInput {
  /** needed where the schedule shares it out; of a schedule of rates only the ratio of P and K to N counts */
  readonly toGiveKgHa?: MainAmounts | undefined;
  readonly areaM2: number;
  readonly plants: number;
  readonly schedule: DoseSchedule;
  readonly products: readonly ProductChoice[];
  /** most N in one dose, kg/ha; the basal dose is not bound by it */
  readonly largestNKgHa?: number | undefined;
  /** between the parts of a dose that is split */
  readonly shortestDays?: number | undefined;
  /** no dose after it */
  readonly lastOn?: string | undefined;
  /** share of everything that goes out first, % */
  readonly basalPct?: number | undefined;
  /** of the doses after the basal one */
  readonly changes?: readonly DoseChange[] | undefined;
}

const MOST_EVENTS = 1000;
/** Shares that a person rounds may miss 100 by so much, %. */
const ROUNDING_PCT = 0.05;

/** @returns the products in full */
export function checkDoseCalendar(input: DoseCalendarInput): readonly Product[] {
  const { toGiveKgHa, areaM2, plants, schedule, largestNKgHa, shortestDays, lastOn, basalPct } = input;
  const checks = new Checks()
    .positive("areaM2", "The area", areaM2, 10_000_000, "m²")
    .positive("plants", "The plants", plants, 100_000_000, "")
    .positive("largestNKgHa", "The largest N of a dose", largestNKgHa, 1000, "kg/ha")
    .range("shortestDays", "The shortest time between doses", shortestDays, 1, 365, "days")
    .when(
      shortestDays !== undefined && !Number.isInteger(shortestDays),
      "not-possible",
      "shortestDays",
      `The days between doses must be whole, not ${shortestDays}.`,
    )
    .range("basalPct", "The basal share", basalPct, 0, 100, "%")
    .when(
      lastOn !== undefined && !isCalendarDate(lastOn),
      "not-possible",
      "lastOn",
      `The last day must be a date, not ${lastOn}.`,
    )
    .when(
      largestNKgHa !== undefined && shortestDays === undefined,
      "missing",
      "shortestDays",
      "Where a dose may be split, the shortest time between its parts is needed.",
    );
  for (const nutrient of MAIN)
    checks.range(`toGiveKgHa.${nutrient}`, `${nutrient} to give`, toGiveKgHa?.[nutrient], 0, 5000, "kg/ha");
  checkSchedule(checks, schedule, toGiveKgHa);
  checkChanges(checks, input.changes ?? []);
  const products = productsInFull(checks, input.products, USUAL_TANK_TEMPERATURE_C);
  checks.when(
    asksN(schedule, toGiveKgHa) && !products.some((product) => contentOf(product).N > 0),
    "missing",
    "products",
    "Nitrogen is asked for, and none of the products brings any: name one that does.",
  );
  checks.done();
  return products;
}

function asksN(schedule: DoseSchedule, toGive: MainAmounts | undefined): boolean {
  if (schedule.kind === "daily-rates") return schedule.weeks.some(({ kgHaDay }) => kgHaDay.N > 0);
  if (schedule.kind === "with-water") return schedule.days.some(({ mgL }) => mgL.N > 0);
  return schedule.kind === "constant-ppm" ? schedule.ppmN > 0 : (toGive?.N ?? 0) > 0;
}

/** Share of a nutrient that an event gives, %. */
export function shareOf({ sharePct, shareP, shareK }: DoseEvent, nutrient: Main): number {
  return { N: sharePct, P: shareP ?? sharePct, K: shareK ?? sharePct }[nutrient];
}

function checkSchedule(checks: Checks, schedule: DoseSchedule, toGive: MainAmounts | undefined): void {
  const date = (path: string, on: string): unknown =>
    checks.when(!isCalendarDate(on), "not-possible", path, `A dose needs a date, not ${on}.`);
  const some = (path: string, list: readonly unknown[], one: string): unknown =>
    checks
      .when(list.length === 0, "missing", path, `At least one ${one} is needed.`)
      .when(
        list.length > MOST_EVENTS,
        "out-of-range",
        path,
        `There may be ${MOST_EVENTS} at most, not ${list.length}.`,
      );
  switch (schedule.kind) {
    case "shares": {
      checks.present("toGiveKgHa", "What is to be given", toGive);
      some("schedule.events", schedule.events, "dose");
      schedule.events.forEach((event, at) => {
        date(`schedule.events.${at}.on`, event.on);
        for (const key of ["sharePct", "shareP", "shareK"] as const)
          checks.range(`schedule.events.${at}.${key}`, "The share of a dose", event[key], 0, 100, "%");
      });
      for (const nutrient of MAIN) {
        if (nutrient !== "N" && schedule.events.every((event) => event[`share${nutrient}`] === undefined)) continue;
        const sum = schedule.events.reduce((total, event) => total + shareOf(event, nutrient), 0);
        checks.when(
          schedule.events.length > 0 && Math.abs(sum - 100) > ROUNDING_PCT,
          "not-possible",
          "schedule.events",
          nutrient === "N"
            ? `The shares must add up to 100 %; these add up to ${Number(sum.toFixed(2))} %.`
            : `The shares of ${nutrient} must add up to 100 %; these add up to ${Number(sum.toFixed(2))} %.`,
        );
      }
      return;
    }
    case "equal":
      checks.present("toGiveKgHa", "What is to be given", toGive);
      some("schedule.dates", schedule.dates, "date");
      schedule.dates.forEach((on, at) => date(`schedule.dates.${at}`, on));
      return;
    case "daily-rates":
      date("schedule.startOn", schedule.startOn);
      some("schedule.weeks", schedule.weeks, "rate");
      checks
        .range("schedule.everyDays", "The days from one dose to the next", schedule.everyDays, 1, 60)
        .when(
          !Number.isInteger(schedule.everyDays),
          "not-possible",
          "schedule.everyDays",
          `The days from one dose to the next must be whole, not ${schedule.everyDays}.`,
        );
      schedule.weeks.forEach(({ weeks, kgHaDay }, at) => {
        checks
          .positive(`schedule.weeks.${at}.weeks`, "The weeks of a rate", weeks, 104, "weeks")
          .when(
            !Number.isInteger(weeks * 7),
            "not-possible",
            `schedule.weeks.${at}.weeks`,
            `The weeks of a rate must be whole days, not ${weeks} weeks.`,
          );
        for (const nutrient of MAIN)
          checks.range(
            `schedule.weeks.${at}.kgHaDay.${nutrient}`,
            `The daily ${nutrient}`,
            kgHaDay[nutrient],
            0,
            50,
            "kg/ha",
          );
      });
      return;
    case "constant-ppm":
      checks.range("schedule.ppmN", "The nitrogen of the feed", schedule.ppmN, 0, 2000, "mg/L");
      some("schedule.days", schedule.days, "day");
      schedule.days.forEach(({ on, litres }, at) => {
        date(`schedule.days.${at}.on`, on);
        checks.range(`schedule.days.${at}.litres`, "The litres of a day", litres, 0, 1e9, "L");
      });
      return;
    case "with-water":
      some("schedule.days", schedule.days, "day");
      schedule.days.forEach(({ on, litres, mgL }, at) => {
        date(`schedule.days.${at}.on`, on);
        checks.range(`schedule.days.${at}.litres`, "The litres of a day", litres, 0, 1e9, "L");
        for (const nutrient of MAIN)
          checks.range(
            `schedule.days.${at}.mgL.${nutrient}`,
            `${nutrient} of the feed`,
            mgL[nutrient],
            0,
            5000,
            "mg/L",
          );
      });
  }
}
