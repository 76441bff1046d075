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
  /** cuttings that one stock plant gives at each flush; 0 where they are bought */
  readonly stockCuttings: number;
  /** weeks from one flush of a stock plant to the next */
  readonly flushWeeks: number;
  /** weeks after which a stock plant is replaced */
  readonly stockWeeks: number;
  /** days that cuttings lie in cold store before they are stuck */
  readonly coldDays: number;
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
  return {
    ...more,
    ...{ cells: 84, seedMg: 5, orderWeeks: 6 },
    ...{ stockCuttings: 0, flushWeeks: 3, stockWeeks: 20, coldDays: 0 },
  };
}

export const RAISING_STEPS = [
  ...(["order", "stock", "flush", "cut", "sow", "stick"] as const),
  ...(["up", "rooted", "feed", "harden", "accept", "plant"] as const),
] as const;
export type RaisingStepKind = (typeof RAISING_STEPS)[number];

export interface RaisingStep {
  readonly on: string;
  readonly kind: RaisingStepKind;
  /** litres a day from this step on; null where none are given */
  readonly litresDay: number | null;
  /** day by day of this step: hours outside while plants harden, minutes from mist to mist while cuttings root */
  readonly ramp: readonly RampDay[];
}

/** One day of a ramp. */
export interface RampDay {
  readonly on: string;
  /** so many hours outside, from then on, h of the clock */
  readonly outside: { readonly fromH: number; readonly hours: number } | null;
  /** minutes from one mist to the next, at noon of a bright day and in dull hours */
  readonly mistMin: [bright: number, dull: number] | null;
}

export interface RaisingPlan {
  /** seeds or cuttings to start from, or plants to order */
  readonly startFrom: number;
  /** null where nothing stands in trays */
  readonly trays: number | null;
  /** stock plants that the cuttings of one flush need; null where none are cut here */
  readonly stockPlants: number | null;
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
    .range("stockCuttings", "The cuttings of a stock plant", raising.stockCuttings, 0, 500)
    .range("flushWeeks", "The weeks between flushes", raising.flushWeeks, 1, 52, "weeks")
    .range("stockWeeks", "The weeks that a stock plant is cut", raising.stockWeeks, 1, 520, "weeks")
    .range("coldDays", "The days in cold store", raising.coldDays, 0, 120, "days")
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
  const stockPlants =
    way === "cuttings" && raising.stockCuttings > 0
      ? Math.ceil(
          sheet.note(
            "Stock plants",
            "cuttings / cuttings of one at a flush",
            fill`${startFrom} ÷ ${raising.stockCuttings}`,
            startFrom / raising.stockCuttings,
            "",
            "as entered",
          ) - 1e-9,
        )
      : null;
  const litres = trays === null ? null : trays * TRAY_M2 * BENCH_MM;
  return { startFrom, trays, stockPlants, seedKgHa, steps: stepsOf(raising, plantedOn, litres), working: sheet.steps };
}

const HARDEN_FROM_H = 10;
const FIRST_OUTSIDE_H = 2;
const LAST_OUTSIDE_H = 12;

/**
 * Plants are set outside for two hours on the first day and longer on each, from ten o'clock on; on the last for all of the
 * light. Usual practice for seven to ten days, assumed for any number.
 */
export function hardeningRamp(from: string, days: number): readonly RampDay[] {
  return Array.from({ length: days }, (_, day): RampDay => {
    const hours =
      days === 1 ? LAST_OUTSIDE_H / 2 : FIRST_OUTSIDE_H + ((LAST_OUTSIDE_H - FIRST_OUTSIDE_H) * day) / (days - 1);
    // Longer than from ten o'clock to dusk they begin earlier.
    const whole = Math.round(hours);
    return {
      on: addDays(from, day),
      outside: { fromH: Math.min(HARDEN_FROM_H, 20 - whole), hours: whole },
      mistMin: null,
    };
  });
}

const FIRST_MIST_MIN = 5;
const LAST_MIST_MIN = 30;
const DULL_TO_BRIGHT = 3;

/**
 * Mist comes every five minutes at noon on the first day and every half hour on the last before rooting, a third as often in dull
 * hours, and stops with roots. Usual practice; assumed: leaves are to stay turgid and never to drip.
 */
export function mistRamp(from: string, days: number): readonly RampDay[] {
  return Array.from({ length: days }, (_, day): RampDay => {
    const share = days === 1 ? 0 : day / (days - 1);
    const bright = Math.round(FIRST_MIST_MIN * (LAST_MIST_MIN / FIRST_MIST_MIN) ** share);
    return { on: addDays(from, day), outside: null, mistMin: [bright, bright * DULL_TO_BRIGHT] };
  });
}

function stepsOf(raising: Raising, plantedOn: string, litres: number | null): RaisingStep[] {
  const { way, startDays, benchDays, hardenDays, orderWeeks } = raising;
  const back = (days: number): string => addDays(plantedOn, -days);
  const step = (on: string, kind: RaisingStepKind, litresDay: number | null = null): RaisingStep => ({
    on,
    kind,
    litresDay,
    ramp: [],
  });
  const half = litres === null ? null : litres / 2;
  const plant = step(plantedOn, "plant");
  const harden =
    hardenDays > 0
      ? [
          {
            ...step(back(hardenDays), "harden", way === "bought" ? null : half),
            ramp: hardeningRamp(back(hardenDays), hardenDays),
          },
        ]
      : [];
  switch (way) {
    case "bought":
      return [step(back(hardenDays + 7 * orderWeeks), "order"), step(back(hardenDays), "accept"), ...harden, plant];
    case "sown":
      return [step(plantedOn, "sow"), step(addDays(plantedOn, startDays), "up")];
    case "seed":
    case "cuttings": {
      const isSeed = way === "seed";
      const begun = hardenDays + benchDays + startDays;
      const up = hardenDays + benchDays;
      const feeds = benchDays > FIRST_FEED_DAYS ? [step(back(up - FIRST_FEED_DAYS), "feed", litres)] : [];
      const stuck = step(back(begun), isSeed ? "sow" : "stick", half);
      return [
        ...(isSeed ? [] : stockSteps(raising, back(begun), step)),
        isSeed ? stuck : { ...stuck, ramp: mistRamp(back(begun), startDays) },
        step(back(up), isSeed ? "up" : "rooted", litres),
        ...feeds,
        ...harden,
        plant,
      ];
    }
  }
}

/** Stock plants are cut back one flush before, give their cuttings, and are set anew early enough to have flushed twice. */
function stockSteps(
  { stockCuttings, flushWeeks, coldDays }: Raising,
  stuckOn: string,
  step: (on: string, kind: RaisingStepKind) => RaisingStep,
): RaisingStep[] {
  const cutOn = addDays(stuckOn, -coldDays);
  const stored = coldDays > 0 ? [step(cutOn, "cut")] : [];
  if (stockCuttings === 0) return stored;
  const before = addDays(cutOn, -7 * flushWeeks);
  return [step(addDays(before, -7 * flushWeeks), "stock"), step(before, "flush"), step(cutOn, "cut")];
}
