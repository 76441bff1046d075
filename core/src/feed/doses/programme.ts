import { addDays } from "../../time/local-time.ts";
import { Checks } from "../../working/checks.ts";
import { seasonStrength, type SeasonRule } from "./season-strength.ts";
import type { DoseSchedule } from "./calendar-input.ts";
import { dressingDates, type DressingDay, type DressingTimes } from "./dressing-times.ts";
import { MAIN, mainOf, type MainAmounts } from "./nutrients.ts";
import { seasonLitres, spansOf, type DosedSeason } from "./season.ts";
import { uptakeSpans } from "./uptake-curve.ts";

/** Ways to give a season's nutrients. */
export const SCHOOLS = ["ration", "dressings", "constant", "recipe", "organic"] as const;
export type School = (typeof SCHOOLS)[number];

/** A part of what is to be given, at one time or at several. */
export interface Dressing extends DressingTimes {
  /** share of what is to be given of nitrogen, %, in all its times together */
  readonly sharePct: number;
  /** of phosphorus and potassium; null: the same share */
  readonly shareP: number | null;
  readonly shareK: number | null;
  /** of which bags; null: of all that the programme may use */
  readonly productIds: readonly string[] | null;
}

/** How a planting is to be fed in doses. */
export interface Programme {
  readonly school: School;
  /** from one dose to the next; where doses follow the water, so many days are mixed for at once */
  readonly everyDays: number;
  /** of dressings: shares of what is to be given, % */
  readonly dressings: readonly Dressing[];
  /** of constant feed: nitrogen in every litre, mg/L */
  readonly ppmN: number;
  /** in stages in which it is another */
  readonly ppmStages: readonly { readonly stageId: string; readonly ppmN: number }[];
  /** of constant feed: how its strength follows light and water; null: it does not */
  readonly season: SeasonRule | null;
  /** share of all that goes out first, % */
  readonly basalPct: number;
  readonly largestNKgHa: number | null;
  readonly shortestDays: number | null;
  readonly lastOn: string | null;
}

/**
 * Of what is given the crop takes up so much: N of many small liquid doses 70 to 90 %, of a few dressings 40 to 60 %; P by
 * removal; K in between. Ranges of practice, assumed; a person's own ledger corrects them.
 */
export const USUAL_EFFICIENCY: Readonly<Record<School, MainAmounts>> = {
  ration: { N: 80, P: 100, K: 85 },
  dressings: { N: 50, P: 100, K: 70 },
  constant: { N: 75, P: 100, K: 80 },
  recipe: { N: 75, P: 100, K: 80 },
  organic: { N: 50, P: 100, K: 70 },
};

/** What a programme starts from where nobody made one. Usual practice; assumed. */
export function usualProgramme(school: School): Programme {
  return {
    school,
    everyDays: 7,
    dressings: [],
    ppmN: 100,
    ppmStages: [],
    season: null,
    basalPct: school === "dressings" ? 40 : 0,
    largestNKgHa: null,
    shortestDays: null,
    lastOn: null,
  };
}

const DAYS_A_WEEK = 7;
/** More than so much on a day is a flooding, and tells nothing of what the crop takes. */
const MOST_WATER_LM2 = 30;
/** Where nobody said when, dressings come at the third, the sixth and the ninth week. Assumed. */
const USUAL_DRESSINGS = [14, 35, 56];
/** Extracts and the like come in small parts: every other week from the third on. Assumed. */
const USUAL_ORGANIC = { from: 14, everyDays: 14 };

/**
 * A programme as a calendar can share it out.
 *
 * @param until the last day whose litres are known; those after it are expected
 * @throws {DomainError} for dressings that name no stage of this planting, and for what follows the water while no litres are known
 */
export function scheduleOf(
  programme: Programme,
  toGive: MainAmounts,
  season: DosedSeason,
  until: string,
): DoseSchedule {
  const [first] = season.days;
  const startOn = first?.on ?? "";
  const nitrogen = uptakeSpans(season.nitrogenDays, DAYS_A_WEEK);
  switch (programme.school) {
    case "ration":
      return {
        kind: "daily-rates",
        startOn,
        everyDays: programme.everyDays,
        weeks: uptakeSpans(season.days, DAYS_A_WEEK).map(({ days, share }, at) => ({
          weeks: days / DAYS_A_WEEK,
          kgHaDay: {
            N: (toGive.N * (nitrogen[at]?.share ?? 0)) / days,
            P: (toGive.P * share) / days,
            K: (toGive.K * share) / days,
          },
        })),
      };
    case "dressings":
    case "organic":
      return { kind: "shares", events: partsOf(programme, season) };
    case "constant":
      return {
        kind: "with-water",
        days: watered(programme, season, until).map((span) => {
          const ppm = ppmOn(span.from, programme, season) * strengthIn(span, programme, season);
          const perN = toGive.N > 0 ? ppm / toGive.N : 0;
          return {
            on: span.from,
            litres: litresOf(span.days),
            mgL: { N: ppm, P: toGive.P * perN, K: toGive.K * perN },
          };
        }),
      };
    case "recipe":
      return { kind: "with-water", days: watered(programme, season, until).map((span) => recipeDay(span, season)) };
  }
}

/**
 * Of a school that follows the water: the litres that each of its doses is mixed into, by the dose's day. Of others null: their
 * doses are injected, or spread.
 */
export function litresMixedFor(
  programme: Programme,
  season: DosedSeason,
  until: string,
): ReadonlyMap<string, number> | null {
  if (programme.school !== "constant" && programme.school !== "recipe") return null;
  return new Map(watered(programme, season, until).map(({ from, days }) => [from, litresOf(days)]));
}

/** Nitrogen of the feed in the stage of a day. */
function ppmOn(on: string, { ppmN, ppmStages }: Programme, { stages }: DosedSeason): number {
  const stage = [...stages].filter(([, from]) => from <= on).at(-1)?.[0];
  return ppmStages.find(({ stageId }) => stageId === stage)?.ppmN ?? ppmN;
}

/** What the season makes of a feed's strength in a span; 1 where its light is not known. */
function strengthIn({ days, lasts, light }: WateredSpan, { season: rule }: Programme, { areaM2 }: DosedSeason): number {
  if (!rule || (light === null && rule.policy === "stronger-in-low-light")) return 1;
  return seasonStrength({
    ...rule,
    waterLM2: Math.min(MOST_WATER_LM2, litresOf(days) / lasts / areaM2),
    lightMolM2: light ?? rule.usualLightMolM2,
  }).factor;
}

function litresOf(days: WateredSpan["days"]): number {
  return days.reduce((sum, [, litres]) => sum + litres, 0);
}

interface WateredSpan {
  readonly from: string;
  /** days with water, and their litres */
  readonly days: readonly (readonly [string, number])[];
  /** days of it whose water is known, with those on which none was given */
  readonly lasts: number;
  /** mean of the days whose light is known, mol/m²; null where none is */
  readonly light: number | null;
}

/** Spans of the season with the litres of their days, those without any left out. */
function watered({ everyDays }: Programme, season: DosedSeason, until: string): readonly WateredSpan[] {
  const litres = seasonLitres(season, until);
  const spans = spansOf(season, everyDays)
    .map(({ from, to }): WateredSpan => {
      const within = season.days.flatMap(({ on }) => (on >= from && on <= to ? [on] : []));
      const light = within.flatMap((on) => season.light.get(on) ?? []);
      return {
        from,
        days: [...litres].filter(([on]) => on >= from && on <= to),
        lasts: Math.max(1, within.filter((on) => on <= until || litres.has(on)).length),
        light: light.length > 0 ? light.reduce((sum, one) => sum + one, 0) / light.length : null,
      };
    })
    .filter(({ days }) => days.length > 0);
  new Checks()
    .when(
      spans.length === 0,
      "missing",
      "school",
      "Nothing was watered yet: what is fed with the water follows the litres.",
    )
    .done();
  return spans;
}

function recipeDay({ from, days }: WateredSpan, season: DosedSeason) {
  let litres = 0;
  const mg = { N: 0, P: 0, K: 0 };
  for (const [on, some] of days) {
    const recipe = season.recipeMgL(on);
    new Checks()
      .when(
        recipe === null,
        "missing",
        "school",
        `Nobody has said what is to be in the feed on ${on}, or in its water.`,
      )
      .done();
    litres += some;
    for (const nutrient of MAIN) mg[nutrient] += (recipe?.[nutrient] ?? 0) * some;
  }
  return { on: from, litres, mgL: mainOf((nutrient) => (litres > 0 ? mg[nutrient] / litres : 0)) };
}

/** Every part on its date. */
function partsOf(
  { school, dressings }: Programme,
  season: DosedSeason,
): Extract<DoseSchedule, { kind: "shares" }>["events"] {
  const checks = new Checks();
  const parts = (dressings.length > 0 ? dressings : usualParts(school, season)).flatMap((dressing, at) => {
    const dates = dressingDates(dressing, season, checks, `dressings.${at}`);
    return dates.map(({ on, onlyIf }) => ({
      ...{ on, sharePct: dressing.sharePct / dates.length },
      ...(dressing.shareP !== null && { shareP: dressing.shareP / dates.length }),
      ...(dressing.shareK !== null && { shareK: dressing.shareK / dates.length }),
      ...(dressing.productIds !== null && { productIds: dressing.productIds }),
      ...(onlyIf !== null && { onlyIf }),
    }));
  });
  checks.done();
  return parts;
}

/** A part that comes once, or as often as it is repeated, of all bags and whatever comes. */
export function plainDressing(day: DressingDay, sharePct: number, repeat: Dressing["repeat"] = null): Dressing {
  return { day, repeat, sharePct, shareP: null, shareK: null, productIds: null, onlyIf: null };
}

function usualParts(school: School, { days }: DosedSeason): readonly Dressing[] {
  const [first, last] = [days[0]?.on ?? "", days.at(-1)?.on ?? ""];
  if (school === "organic" && addDays(first, USUAL_ORGANIC.from) < last) {
    const repeat = { everyDays: USUAL_ORGANIC.everyDays, until: { kind: "date", on: last } } as const;
    return [plainDressing({ kind: "planting", days: USUAL_ORGANIC.from }, 100, repeat)];
  }
  const dated = USUAL_DRESSINGS.filter((after) => addDays(first, after) <= last);
  const all = dated.length > 0 ? dated : [0];
  return all.map((after) => plainDressing({ kind: "planting", days: after }, 100 / all.length));
}

/**
 * A programme as a person makes it: each dressing has its stage, and lies in the time in which the planting is fed. One that was
 * made may come to lie beyond it, where the planting ends sooner than was thought: it is still read.
 *
 * @throws {DomainError} for all dressings that do not
 */
export function checkDressings({ school, dressings }: Programme, season: DosedSeason): void {
  if (school !== "dressings" && school !== "organic") return;
  const [first, last] = [season.days[0]?.on ?? "", season.days.at(-1)?.on ?? ""];
  const checks = new Checks();
  dressings.forEach((dressing, at) => {
    const [begins] = dressingDates(dressing, season, checks, `dressings.${at}`);
    checks.when(
      begins !== undefined && (begins.on < first || begins.on > last),
      "out-of-range",
      `dressings.${at}.day`,
      `A dressing on ${begins?.on ?? ""} lies outside the time in which this planting is fed, ${first} to ${last}.`,
    );
  });
  checks.done();
}
