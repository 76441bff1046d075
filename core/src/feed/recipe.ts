import {
  carbonateAlkalinityMmolL,
  dissolvedCarbonMmolL,
  phosphateShares,
  phWhere,
  type CarbonateWater,
} from "../chemistry/carbonate.ts";
import { chargeBalance, IONS, type ChargeBalance, type Ion, type Ions } from "../chemistry/ions.ts";
import { fill, Worksheet, type WorkingStep } from "../working.ts";
import type { SolveLp } from "./linear-program.ts";
import { feedSaturation, type FeedSaturation } from "./precipitation.ts";
import type { Product } from "./product.ts";
import { checkRecipeInput, USUAL_TANK_TEMPERATURE_C, USUAL_TANKS, type RecipeInput } from "./recipe-input.ts";
import {
  bestFit,
  bringsPerGram,
  solveRecipe,
  solveUpTo,
  type Fit,
  type RecipeProblem,
  type RecipeSolution,
} from "./recipe-lp.ts";
import { deviationReason } from "./recipe-reasons.ts";
import {
  feedSums,
  noteCharges,
  noteIons,
  tankLines,
  tankSaturation,
  type RecipeLine,
  type TankSaturation,
} from "./recipe-sums.ts";
import { tankLabellings, type TankRoom } from "./tank-rooms.ts";

export interface Deviation {
  readonly ion: Ion;
  readonly target: number;
  readonly delivered: number;
  readonly pct: number;
  readonly reason: string;
}

export interface Recipe {
  readonly status: "met" | "closest" | "infeasible";
  readonly lines: readonly RecipeLine[];
  readonly delivered: { readonly ions: Ions; readonly ecMsCm: number; readonly ph: number };
  readonly deviations: readonly Deviation[];
  readonly chargeBalance: ChargeBalance;
  readonly nh4SharePct: number;
  readonly costPerM3: number;
  readonly precipitation: readonly (FeedSaturation | TankSaturation)[];
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

const USUAL_TOLERANCE_PCT = 2;
/** Smaller misfits are rounding of the solver and not worth a line. */
const LEAST_DEVIATION_PCT = 0.1;

/**
 * Grams of products that make a feed of a water.
 *
 * Sequenced linear programs over the ways to use the tanks: hard limits, least misfit, least ballast, least cost, then
 * fewest products. "met" means that every targeted ion is within the tolerance.
 *
 * @param solve a solver of linear programs
 * @throws {DomainError} for values that cannot be, all at once
 */
export function recipe(input: RecipeInput, solve: SolveLp): Recipe {
  const products = checkRecipeInput(input);
  const sheet = new Worksheet();
  const tanks = input.tanks ?? USUAL_TANKS;
  const target = withBicarbonate(input, sheet);
  const tolerance = input.tolerancePct ?? USUAL_TOLERANCE_PCT;
  const shared = {
    products,
    water: input.water.ions,
    target,
    limits: input.limits ?? {},
    tolerance: tolerance / 100,
    loose: input.target.ions.HCO3 === undefined ? (["HCO3"] as const) : [],
  };
  const problem: RecipeProblem = { ...shared, rooms: bestLabelling(shared, tankLabellings(tanks, products), solve) };
  const solution = withFewerProducts(problem, solveRecipe(problem, solve), solve);
  const ions = deliveredIons(input.water.ions, solution);
  const ph = feedPh(input, ions, solution, sheet);
  const deviations = deviationsOf(input.target.ions, ions, problem, solve);
  const met = deviations.every((deviation) => Math.abs(deviation.pct) <= tolerance + 1e-6);
  noteIons(input, ions, solution, sheet);
  const lines = tankLines(solution, sheet);
  const tankShares = tankSaturation(solution, sheet);
  const sums = feedSums(ions, ph, solution, sheet);
  warn(input, products, solution, sheet);
  return {
    status: solution.limitsBroken ? "infeasible" : met ? "met" : "closest",
    lines,
    delivered: { ions, ecMsCm: sums.ecMsCm, ph },
    deviations,
    chargeBalance: noteCharges(ions, sheet),
    nh4SharePct: sums.nh4SharePct,
    costPerM3: sums.costPerM3,
    precipitation: [...feedSaturation(ions, ph, sheet), ...tankShares],
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

/** A target pH is bicarbonate that is left: as much as the closed line has there. */
function withBicarbonate({ target, water }: RecipeInput, sheet: Worksheet): Ions {
  if (target.ph === undefined || target.ions.HCO3 !== undefined) return target.ions;
  const carbon = waterCarbon(water, water.ions.HCO3 ?? 0);
  const left = Math.max(
    0,
    carbonateAlkalinityMmolL(target.ph, carbon) +
      phosphateAlkalinity(target.ph, target.ions.H2PO4 ?? 0, carbon.ionicStrength),
  );
  const wanted = Math.min(left, water.ions.HCO3 ?? 0);
  sheet.note(
    "Bicarbonate left at the target pH",
    "alkalinity of the water's carbon and of phosphate at the pH",
    fill`pH ${target.ph}`,
    wanted,
    "mmol/L",
    "carbonate system, closed line",
  );
  return { ...target.ions, HCO3: wanted };
}

/** Carbon of the water; without its pH it is taken as in balance with the air. */
function waterCarbon({ ph, ions, temperatureC = 25 }: RecipeInput["water"], alkalinity: number): CarbonateWater {
  const ionicStrength = 0.02;
  if (ph === undefined || (ions.HCO3 ?? 0) === 0)
    return { temperatureC, ionicStrength, dicMmolL: ph === undefined ? null : 0 };
  return {
    temperatureC,
    ionicStrength,
    dicMmolL: Math.max(0, dissolvedCarbonMmolL(alkalinity, ph, temperatureC, ionicStrength)),
  };
}

/** Protons that phosphate counted as H₂PO₄⁻ has given off (or taken up) at a pH, mmol/L. */
function phosphateAlkalinity(ph: number, phosphateMmolL: number, ionicStrength: number): number {
  const { h3po4, hpo4, po4 } = phosphateShares(ph, ionicStrength);
  return phosphateMmolL * (hpo4 + 2 * po4 - h3po4);
}

function feedPh({ water }: RecipeInput, ions: Ions, solution: RecipeSolution, sheet: Worksheet): number {
  if (water.ph === undefined)
    sheet.warn("The water's pH was not given: the feed's pH is that of water in balance with the air.");
  const added = solution.grams.reduce(
    (sum, { product, gM3 }) => sum + ((product.composition.HCO3 ?? 0) * gM3) / 1000,
    0,
  );
  const carbon = waterCarbon(water, water.ions.HCO3 ?? 0);
  const closed: CarbonateWater = { ...carbon, dicMmolL: carbon.dicMmolL === null ? null : carbon.dicMmolL + added };
  return phWhere(
    (at) => carbonateAlkalinityMmolL(at, closed) + phosphateAlkalinity(at, ions.H2PO4 ?? 0, closed.ionicStrength),
    ions.HCO3 ?? 0,
  );
}

/** Another use of the tanks must fit better by this much, relative, to be worth leaving the usual one. */
const WORTH_ANOTHER_USE = 1e-3;

/** The usual use of the tanks, unless another fits better. */
function bestLabelling(
  problem: Omit<RecipeProblem, "rooms">,
  labellings: readonly TankRoom[][],
  solve: SolveLp,
): TankRoom[] {
  const [usual] = labellings;
  if (!usual) throw new Error("tanks are checked before");
  // Without any walls between products nothing can fit better: a labelling that comes near this ends the search.
  const open = usual.map((room) => ({ ...room, tank: { ...room.tank, dilution: 1 }, holds: "direct" as const }));
  const bound = bestFit({ ...problem, rooms: open.slice(0, 1) }, solve);
  const isBetter = (a: Fit, b: Fit): boolean =>
    a.limitsBroken === b.limitsBroken ? a.largest < b.largest - WORTH_ANOTHER_USE : b.limitsBroken;
  let best = { rooms: usual, fit: bestFit({ ...problem, rooms: usual }, solve) };
  for (const rooms of labellings.slice(1)) {
    if (!isBetter(bound, best.fit)) break;
    const fit = bestFit({ ...problem, rooms }, solve);
    if (isBetter(fit, best.fit)) best = { rooms, fit };
  }
  return best.rooms;
}

/** Leaves out one product after the other, the smallest first, as long as fit and cost stay. */
function withFewerProducts(problem: RecipeProblem, solution: RecipeSolution, solve: SolveLp): RecipeSolution {
  let best = solution;
  const bySize = [...solution.grams].sort((a, b) => a.gM3 - b.gM3).map((line) => line.product.id);
  for (const id of new Set(bySize)) {
    const used = [...new Set(best.grams.map((line) => line.product))];
    const others = used.filter((product) => product.id !== id);
    const product = used.find((candidate) => candidate.id === id);
    if (!product || isOnlySource(product, others, problem.target)) continue;
    const tried = solveUpTo({ ...problem, products: others }, best.misfit + 1e-6, solve);
    const same = tried && tried.costPerM3 <= best.costPerM3 * 1.001 + 1e-9 && tried.limitsBroken === best.limitsBroken;
    if (same && tried.grams.length < best.grams.length) best = tried;
  }
  return best;
}

/** Whether nothing else in use brings some ion of the target: then it cannot be left out. */
function isOnlySource(product: Product, others: readonly Product[], target: Ions): boolean {
  return IONS.some(
    (ion) =>
      (target[ion] ?? 0) > 0 &&
      bringsPerGram(product, ion) > 0 &&
      !others.some((other) => bringsPerGram(other, ion) > 0),
  );
}

function deliveredIons(water: Ions, { grams }: RecipeSolution): Ions {
  const ions: Partial<Record<Ion, number>> = {};
  for (const ion of IONS) {
    const added = grams.reduce((sum, { product, gM3 }) => sum + bringsPerGram(product, ion) * gM3, 0);
    const total = (water[ion] ?? 0) + added;
    // The solver keeps bicarbonate from falling below none but for its last digit.
    ions[ion] = Math.abs(total) < 1e-9 ? 0 : Math.max(0, total);
  }
  return ions;
}

function deviationsOf(target: Ions, delivered: Ions, problem: RecipeProblem, solve: SolveLp): Deviation[] {
  return IONS.flatMap((ion) => {
    const wanted = target[ion];
    if (wanted === undefined) return [];
    const got = delivered[ion] ?? 0;
    const pct = wanted > 0 ? (100 * (got - wanted)) / wanted : got > 1e-6 ? 100 : 0;
    if (Math.abs(pct) < LEAST_DEVIATION_PCT) return [];
    return [
      {
        ion,
        target: wanted,
        delivered: got,
        pct,
        reason: deviationReason(ion, { wanted, got, delivered, problem }, solve),
      },
    ];
  });
}

function warn(
  { water, tanks }: RecipeInput,
  products: readonly Product[],
  { grams }: RecipeSolution,
  sheet: Worksheet,
): void {
  if (!tanks) sheet.warn("No tanks were given: A and B of 1000 L at a dilution of 100 are taken.");
  const used = grams.map((line) => line.product);
  const library = used.filter((product) => "compositionSource" in product && product.solubilityGL);
  if (water.temperatureC === undefined && library.length > 0)
    sheet.warn(`No temperature was given: solubility is taken at ${USUAL_TANK_TEMPERATURE_C} °C.`);
  const names = (list: readonly Product[]): string => [...new Set(list.map((product) => product.name))].join(", ");
  const unchecked = used.filter((product) => !product.solubilityGL && product.form === "solid" && !product.chelate);
  if (unchecked.length > 0) sheet.warn(`Solubility is not known and was not checked for ${names(unchecked)}.`);
  const unpriced = used.filter((product) => product.priceKg === undefined);
  if (unpriced.length > 0) sheet.warn(`Without a price and not in the cost: ${names(unpriced)}.`);
  const both = products.filter(
    (product) =>
      (product.composition.Ca ?? 0) > 0 && ((product.composition.SO4 ?? 0) > 0 || (product.composition.H2PO4 ?? 0) > 0),
  );
  if (both.length > 0)
    sheet.warn(`Not for concentrates, as calcium meets sulphate or phosphate in it: ${names(both)}.`);
  const error = chargeBalance(water.ions);
  if (Math.abs(error.errorPct) > 10 && error.cationsMeqL + error.anionsMeqL > 3)
    sheet.warn(
      `The water's own charges differ by ${error.errorPct.toFixed(0)} %: its report is doubtful, and so is the feed made of it.`,
    );
  if (used.some((product) => (product.composition.H ?? 0) > 0))
    sheet.warn("Goggles, gloves, apron. Acid into water, never the reverse; A and B concentrates never together.");
}
