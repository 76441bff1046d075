import { IONS, type Ion, type Ions } from "../../chemistry/ions.ts";
import { ecMsCm } from "../../chemistry/solution.ts";
import { Checks } from "../../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";
import { carbonPerGram, type Product } from "../products/product.ts";
import type { RecipeInput } from "./recipe-input.ts";
import { bringsPerGram } from "./recipe-model.ts";
import { closedPh } from "./recipe-ph.ts";
import type { RecipeRow } from "./recipe-sums.ts";

export interface MeterCheckInput {
  readonly water: RecipeInput["water"];
  /** of the lines, in full */
  readonly products: readonly Product[];
  readonly lines: readonly Pick<RecipeRow, "productId" | "gM3" | "tankId">[];
  /** under a dripper; mS/cm */
  readonly measured: { readonly ecMsCm: number; readonly ph: number | null };
  /** whether a reading since the last mix still fitted, none did, or nobody can tell */
  readonly sinceMix: "fitted-before" | "off-from-the-start" | "unknown";
}

export interface MeterCheck {
  readonly expected: { readonly ecMsCm: number; readonly ph: number };
  readonly verdict: "fits" | "both-tanks" | "one-tank" | "alkalinity" | "unexplained";
  /** how much of its concentrate arrives, 1 as planned; null where that is not the cause */
  readonly factor: number | null;
  readonly tankId: string | null;
  /** other causes that the measurements cannot tell from this one */
  readonly alsoPossible: readonly { readonly tankIds: readonly string[]; readonly factor: number }[];
  /** alkalinity of the water that would explain the pH, mmol/L */
  readonly alkalinityMmolL: number | null;
  readonly fault: "dosing" | "mixing" | "unknown" | null;
  readonly nextCheck: string;
  readonly working: readonly WorkingStep[];
}

/** Pens and dosers of good order agree to so much; usual practice, not confirmed by a standard. */
const SAME_EC = 0.05;
const SAME_PH = 0.3;
/** A cause must foresee the pH this well to be named, and this much better than a simpler one. */
const EXPLAINS_PH = 0.4;
const BETTER_PH = 0.15;
const MOST_FACTOR = 3;

/**
 * EC and pH under a dripper against the recipe's: a doser that gives both tanks wrong, one tank that is dosed or mixed
 * wrong, or a water whose alkalinity has changed. Each cause is followed through mass balance and carbonate system to the
 * measured EC, and the one that then foresees the measured pH is named, the simpler one first.
 *
 * @throws {DomainError} for measurements that cannot be
 */
export function meterCheck({ water, products, lines, measured, sinceMix }: MeterCheckInput): MeterCheck {
  new Checks()
    .range("measured.ecMsCm", "The EC at the dripper", measured.ecMsCm, 0, 20, "mS/cm")
    .range("measured.ph", "The pH at the dripper", measured.ph ?? undefined, 2, 12)
    .done();
  const sheet = new Worksheet();
  const tanks = [...new Set(lines.map(({ tankId }) => tankId))].sort();
  const feedOf = (factors: Readonly<Record<string, number>>): { ec: number; ph: number } => {
    const grams = lines.map(({ productId, gM3, tankId }) => ({
      product: products.find(({ id }) => id === productId),
      gM3: gM3 * (factors[tankId] ?? 1),
    }));
    const sum = (of: (product: Product) => number): number =>
      grams.reduce((total, { product, gM3 }) => total + (product ? of(product) * gM3 : 0), 0);
    const ions: Partial<Record<Ion, number>> = {};
    for (const ion of IONS) ions[ion] = (water.ions[ion] ?? 0) + sum((product) => bringsPerGram(product, ion));
    const ph = closedPh(
      water,
      ions,
      sum((product) => carbonPerGram(product) / 1000),
    );
    return { ec: ecMsCm(clearOfAcid(ions), ph), ph };
  };
  const planned = feedOf({});
  const expected = { ecMsCm: planned.ec, ph: planned.ph };
  sheet.note("EC as planned", "of the recipe", "water and all tanks", planned.ec, "mS/cm", "Appelo (2010)");
  const base = { expected, factor: null, tankId: null, alsoPossible: [], alkalinityMmolL: null, fault: null };
  const ecFits = Math.abs(measured.ecMsCm - planned.ec) <= SAME_EC * planned.ec;
  const phFits = measured.ph === null || Math.abs(measured.ph - planned.ph) <= SAME_PH;
  if (ecFits && phFits) return { ...base, verdict: "fits", nextCheck: "Nothing to look for.", working: sheet.steps };
  if (ecFits && measured.ph !== null) {
    const alkalinityMmolL = alkalinityFor(measured.ph, water, lines, products);
    sheet.note(
      "Alkalinity that explains the pH",
      "alkalinity of the water at which the closed line has the measured pH",
      fill`pH ${measured.ph} instead of ${planned.ph}`,
      alkalinityMmolL,
      "mmol/L",
      "carbonate system, closed line",
    );
    return {
      ...base,
      verdict: "alkalinity",
      alkalinityMmolL,
      nextCheck: `Test the water's alkalinity with drops: ${alkalinityMmolL.toFixed(1)} mmol/L would explain the pH, the recipe counts on ${(water.ions.HCO3 ?? 0).toFixed(1)}. If it is unchanged, calibrate the pH pen and look at the acid's line.`,
      working: sheet.steps,
    };
  }
  const causes = [tanks, ...(tanks.length > 1 ? tanks.map((tank) => [tank]) : [])].flatMap((of) => {
    const at = (factor: number) => feedOf(Object.fromEntries(of.map((tank) => [tank, factor])));
    const factor = factorFor(measured.ecMsCm, (value) => at(value).ec);
    return factor === null ? [] : [{ of, factor, ph: at(factor).ph }];
  });
  for (const { of, factor, ph } of causes)
    sheet.note(
      `Tank ${of.join(" and ")} at ${(100 * factor).toFixed(0)} %`,
      "the share of its concentrate at which the EC is the measured one, and the pH it would have",
      fill`EC ${measured.ecMsCm} mS/cm`,
      ph,
      "pH",
      "mass balance and carbonate system",
    );
  const found = likeliest(causes, measured.ph);
  if (!found)
    return {
      ...base,
      verdict: "unexplained",
      nextCheck:
        measured.ph === null
          ? "Measure the pH as well: it tells the tanks apart. Calibrate the EC pen first."
          : "No single tank explains both. Calibrate both pens, then measure the water alone without concentrate.",
      working: sheet.steps,
    };
  const isBoth = found.of.length === tanks.length;
  const fault = { "fitted-before": "dosing", "off-from-the-start": "mixing", unknown: "unknown" } as const;
  return {
    ...base,
    verdict: isBoth ? "both-tanks" : "one-tank",
    factor: found.factor,
    tankId: isBoth ? null : (found.of[0] ?? null),
    alsoPossible: causes
      .filter((cause) => cause !== found && Math.abs(cause.ph - found.ph) <= BETTER_PH)
      .map((cause) => ({ tankIds: cause.of, factor: cause.factor })),
    fault: fault[sinceMix],
    nextCheck: nextCheck(found.of, found.factor, fault[sinceMix]),
    working: sheet.steps,
  };
}

/** Left-over acid is no ion of the conductivity's list: it counts as none of bicarbonate. */
function clearOfAcid(ions: Ions): Ions {
  return { ...ions, HCO3: Math.max(0, ions.HCO3 ?? 0) };
}

interface Cause {
  readonly of: readonly string[];
  readonly factor: number;
  readonly ph: number;
}

function likeliest(causes: readonly Cause[], ph: number | null): Cause | null {
  if (ph === null) return causes.length === 1 ? (causes[0] ?? null) : null;
  const miss = (cause: Cause): number => Math.abs(cause.ph - ph);
  return causes
    .filter((cause) => miss(cause) <= EXPLAINS_PH)
    .reduce<Cause | null>((best, next) => (best && miss(next) > miss(best) - BETTER_PH ? best : next), null);
}

/** The share of concentrate that gives an EC; null when none within sense does. */
function factorFor(ec: number, ecAt: (factor: number) => number): number | null {
  let [low, high] = [0, MOST_FACTOR];
  if (ecAt(low) > ec || ecAt(high) < ec) return null;
  for (let round = 0; round < 50; round++) {
    const middle = (low + high) / 2;
    if (ecAt(middle) < ec) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

function alkalinityFor(
  ph: number,
  water: RecipeInput["water"],
  lines: MeterCheckInput["lines"],
  products: readonly Product[],
): number {
  const added = (ion: Ion): number =>
    lines.reduce((sum, { productId, gM3 }) => {
      const product = products.find(({ id }) => id === productId);
      return product ? sum + bringsPerGram(product, ion) * gM3 : sum;
    }, 0);
  const [acid, phosphate] = [added("HCO3"), (water.ions.H2PO4 ?? 0) + added("H2PO4")];
  let [low, high] = [0, 20];
  for (let round = 0; round < 50; round++) {
    const HCO3 = (low + high) / 2;
    const at = closedPh({ ...water, ions: { ...water.ions, HCO3 } }, { H2PO4: phosphate, HCO3: HCO3 + acid }, 0);
    if (at < ph) low = HCO3;
    else high = HCO3;
  }
  return (low + high) / 2;
}

function nextCheck(of: readonly string[], factor: number, fault: "dosing" | "mixing" | "unknown"): string {
  const much = factor > 1 ? "too much" : "too little";
  const tank = `tank ${of.join(" and ")}`;
  const dosing =
    of.length > 1
      ? `Measure what the doser draws of each concentrate in a minute: ${much} of both arrives.`
      : `Look at the suction line, filter and level of ${tank}: ${much} of it arrives.`;
  const mixing = `Measure the EC of ${tank} in a jug, thinned as the doser does: a bag may be ${factor > 1 ? "twice in" : "missing"}, or the tank was filled to another mark.`;
  return { dosing, mixing, unknown: `${dosing} If the doser is right: ${mixing}` }[fault];
}
