import { isTrace, type Ion, type Ions } from "../../chemistry/ions.ts";
import type { SolveLp } from "./linear-program.ts";
import type { Product } from "../products/product.ts";
import { obstaclesTo } from "./recipe-lp.ts";
import { bringsPerGram, type RecipeProblem } from "./recipe-model.ts";
import { mayHold } from "./tank-rooms.ts";

interface Found {
  readonly wanted: number;
  readonly got: number;
  readonly delivered: Ions;
  readonly problem: RecipeProblem;
}

/**
 * Why an ion is off, in words: the water and the shelf where they leave no choice, else what the duals of the program
 * name that alone tries to bring the ion to its target.
 */
export function deviationReason(ion: Ion, found: Found, solve: SolveLp): string {
  return noChoice(ion, found) ?? inTheWay(ion, found, solve);
}

function amount(ion: Ion, value: number): string {
  return `${value.toFixed(isTrace(ion) ? 1 : 2)} ${isTrace(ion) ? "µmol/L" : "mmol/L"}`;
}

function bringersOf(ion: Ion, { problem }: Found): Product[] {
  return problem.products.filter((product) => bringsPerGram(product, ion) > 0);
}

/** Bicarbonate that is left is none below this share of what was there. */
const SPENT = 0.3;

/** What no other recipe of this shelf and this water could change. */
function noChoice(ion: Ion, found: Found): string | null {
  const { wanted, got, problem } = found;
  const fromWater = problem.water[ion] ?? 0;
  if (got > wanted && fromWater > wanted && !problem.products.some((product) => bringsPerGram(product, ion) < 0)) {
    const share = Math.round((100 * (fromWater - wanted)) / fromWater);
    return `The water already brings ${amount(ion, fromWater)}, ${amount(ion, fromWater - wanted)} more than the target: ${share} % of it replaced by pure water would fix it.`;
  }
  if (got >= wanted) return null;
  if (ion === "HCO3") return "The acid in use takes more bicarbonate than the target leaves.";
  const bringers = bringersOf(ion, found);
  if (bringers.length === 0) return `No product here brings ${ion}.`;
  const homeless = bringers.filter((product) => !problem.rooms.some((room) => mayHold(room, product)));
  if (homeless.length === bringers.length)
    return `${homeless[0]?.name ?? ion} can go into none of these tanks: calcium, sulphate or phosphate, and acid or chelate stay apart.`;
  const buffer = found.problem.water.HCO3 ?? 0;
  if (
    bringers.every(({ composition }) => (composition.H ?? 0) > 0) &&
    (found.delivered.HCO3 ?? 0) < SPENT * (buffer + 1)
  )
    return `Only acid brings it here, and the water’s ${amount("HCO3", buffer)} of bicarbonate answer no more acid.`;
  return null;
}

/** What would have to give way, by the duals. */
function inTheWay(ion: Ion, found: Found, solve: SolveLp): string {
  const { wanted, got, delivered, problem } = found;
  const { limits, tanks, ties, byCharge } = obstaclesTo(ion, problem, delivered, solve);
  const [limited] = limits;
  if (limited !== undefined)
    return `${limited} stands at its limit of ${amount(limited, problem.limits[limited] ?? 0)}, and what brings ${ion} here brings or needs it too.`;
  if (tanks.length > 0)
    return `Tank ${tanks.join(" and ")} is full of what dissolves in it: a larger tank, a lower dilution or a warmer store would fix it.`;
  if (byCharge)
    return `The ions asked for, with what the water leaves beside them, do not balance in charge; salts bring cations and anions alike, so this ion gives way.`;
  if (ties.length === 0)
    return got > wanted
      ? "The salts bring it along, and no product here brings the others without it."
      : "What brings it here is used up by the other targets.";
  const tied = ties.join(", ");
  return got > wanted
    ? `Less of it would leave ${tied} off too: on this shelf they come together.`
    : `More of it would bring ${tied} off too: on this shelf they come together.`;
}
