import { addDays } from "../time/local-time.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";
import { Checks } from "../working/checks.ts";

export const RAISING_WAYS = ["seed", "cuttings", "sown", "bought"] as const;
export type RaisingWay = (typeof RAISING_WAYS)[number];

/** How a planting's plants come to be. */
export interface Raising {
  readonly way: RaisingWay;
  /** % of the seeds that come up, or of the cuttings that root */
  readonly startPct: number;
  /** % of those that are lost or set aside before they are planted */
  readonly lossPct: number;
  /** days until they are up, or rooted */
  readonly startDays: number;
  /** days on the bench after that */
  readonly benchDays: number;
  /** days of hardening at the end, in which they are given less warmth and water */
  readonly hardenDays: number;
  /** in a tray */
  readonly cells: number;
  /** of one seed, mg; for what is sown in place */
  readonly seedMg: number;
  /** weeks between order and delivery of bought plants */
  readonly orderWeeks: number;
}

/** What each way starts from: usual practice, by crop and season; assumed. */
export const RAISING_STARTS: Readonly<Record<RaisingWay, Raising>> = {
  seed: starts({ way: "seed", startPct: 90, lossPct: 5, startDays: 7, benchDays: 21, hardenDays: 5 }),
  cuttings: starts({ way: "cuttings", startPct: 92, lossPct: 5, startDays: 14, benchDays: 14, hardenDays: 4 }),
  sown: starts({ way: "sown", startPct: 85, lossPct: 10, startDays: 10, benchDays: 0, hardenDays: 0 }),
  bought: starts({ way: "bought", startPct: 100, lossPct: 2, startDays: 0, benchDays: 0, hardenDays: 2 }),
};

function starts(
  more: Pick<Raising, "way" | "startPct" | "lossPct" | "startDays" | "benchDays" | "hardenDays">,
): Raising {
  return { ...more, cells: 84, seedMg: 5, orderWeeks: 6 };
}

export type RaisingStepKind = "order" | "sow" | "stick" | "up" | "rooted" | "feed" | "harden" | "accept" | "plant";

export interface RaisingStep {
  readonly on: string;
  readonly kind: RaisingStepKind;
  /** litres a day from this step on; null where none are given */
  readonly litresDay: number | null;
}

export interface RaisingPlan {
  /** seeds or cuttings to start from, or plants to order */
  readonly startFrom: number;
  /** null where nothing stands in trays */
  readonly trays: number | null;
  /** of what is sown in place, kg/ha; null for what is not */
  readonly seedKgHa: number | null;
  readonly steps: readonly RaisingStep[];
  readonly working: readonly WorkingStep[];
}

/** A tray is 0.6 · 0.4 m; young plants under cover take about 2 L/m² a day, half of it under mist and while they harden. Usual practice, assumed. */
const TRAY_M2 = 0.24;
const BENCH_MM = 2;
/** The first weak feed is given once roots take it, so many days after emergence or rooting. Usual practice, assumed. */
const FIRST_FEED_DAYS = 4;

/**
 * The steps to a planting, counted back from its date, and how many to start from.
 *
 * @param plants that are to stand
 * @throws {DomainError} for shares and days that cannot be
 */
export function raisingPlan(raising: Raising, plantedOn: string, plants: number, areaM2: number): RaisingPlan {
  const { way, startPct, lossPct, startDays, benchDays, hardenDays, cells, seedMg, orderWeeks } = raising;
  new Checks()
    .range("startPct", "What comes up", startPct, 5, 100, "%")
    .range("lossPct", "What is lost on the way", lossPct, 0, 90, "%")
    .range("startDays", "The days until they are up", startDays, 0, 120, "days")
    .range("benchDays", "The days on the bench", benchDays, 0, 365, "days")
    .range("hardenDays", "The days of hardening", hardenDays, 0, 60, "days")
    .range("cells", "The cells of a tray", cells, 1, 1000)
    .range("seedMg", "The weight of a seed", seedMg, 0.01, 5000, "mg")
    .range("orderWeeks", "The weeks from order to delivery", orderWeeks, 0, 104, "weeks")
    .done();
  const sheet = new Worksheet();
  const startFrom = Math.ceil(
    sheet.note(
      way === "bought" ? "Plants to order" : way === "cuttings" ? "Cuttings to stick" : "Seeds to sow",
      "plants / (share that starts · share that is left)",
      fill`${plants} ÷ (${startPct / 100} × ${1 - lossPct / 100})`,
      plants / ((startPct / 100) * (1 - lossPct / 100)),
      "",
      "shares as entered",
    ) - 1e-9,
  );
  const inTrays = way === "seed" || way === "cuttings";
  const trays = inTrays ? Math.ceil(startFrom / cells) : null;
  const seedKgHa =
    way === "sown"
      ? sheet.note(
          "Seed on a hectare",
          "seeds / area · weight of a seed",
          fill`${startFrom} ÷ ${areaM2} m² × ${seedMg} mg × 10 000 m²`,
          (startFrom / areaM2) * seedMg * 1e-6 * 1e4,
          "kg/ha",
          "weight as entered",
        )
      : null;
  const litres = trays === null ? null : trays * TRAY_M2 * BENCH_MM;
  return { startFrom, trays, seedKgHa, steps: stepsOf(raising, plantedOn, litres), working: sheet.steps };
}

function stepsOf(
  { way, startDays, benchDays, hardenDays, orderWeeks }: Raising,
  plantedOn: string,
  litres: number | null,
): RaisingStep[] {
  const back = (days: number): string => addDays(plantedOn, -days);
  const half = litres === null ? null : litres / 2;
  const plant: RaisingStep = { on: plantedOn, kind: "plant", litresDay: null };
  const harden: RaisingStep[] =
    hardenDays > 0 ? [{ on: back(hardenDays), kind: "harden", litresDay: way === "bought" ? null : half }] : [];
  switch (way) {
    case "bought":
      return [
        { on: back(hardenDays + 7 * orderWeeks), kind: "order", litresDay: null },
        { on: back(hardenDays), kind: "accept", litresDay: null },
        ...harden,
        plant,
      ];
    case "sown":
      return [
        { on: plantedOn, kind: "sow", litresDay: null },
        { on: addDays(plantedOn, startDays), kind: "up", litresDay: null },
      ];
    case "seed":
    case "cuttings": {
      const isSeed = way === "seed";
      const begun = hardenDays + benchDays + startDays;
      const up = hardenDays + benchDays;
      const feeds: RaisingStep[] =
        benchDays > FIRST_FEED_DAYS ? [{ on: back(up - FIRST_FEED_DAYS), kind: "feed", litresDay: litres }] : [];
      return [
        { on: back(begun), kind: isSeed ? "sow" : "stick", litresDay: half },
        { on: back(up), kind: isSeed ? "up" : "rooted", litresDay: litres },
        ...feeds,
        ...harden,
        plant,
      ];
    }
  }
}
