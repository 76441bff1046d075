import type { Ions } from "../../chemistry/ions.ts";
import type { SolveLp } from "./linear-program.ts";
import type { Product } from "../products/product.ts";
import { USUAL_TANKS, type RecipeInput } from "./recipe-input.ts";
import { bestFit, type Fit } from "./recipe-lp.ts";
import type { OtherWater, RecipeProblem } from "./recipe-model.ts";
import { tankLabellings, type TankRoom } from "./tank-rooms.ts";

/** Relative to its target an ion may be so much off and still count as met, unless the input says otherwise, %. */
export const USUAL_TOLERANCE_PCT = 2;

/** The question as the programs are asked it, with the best use of the tanks. */
export function problemOf(
  {
    water,
    limits = {},
    target: { ions },
    tolerancePct = USUAL_TOLERANCE_PCT,
    tanks = USUAL_TANKS,
    ...input
  }: RecipeInput,
  products: readonly Product[],
  target: Ions,
  solve: SolveLp,
  otherWaters: readonly OtherWater[] = [],
): RecipeProblem {
  const { nh4ShareMostPct, locks, mostSharePct = 100 } = input;
  const shared = {
    ...{ products, target, limits, nh4ShareMostPct, locks, otherWaters },
    water: water.ions,
    leastSharePct: 100 - mostSharePct,
    tolerance: tolerancePct / 100,
    loose: ions.HCO3 === undefined ? (["HCO3"] as const) : [],
  };
  return { ...shared, rooms: bestLabelling(shared, tankLabellings(tanks, products), solve) };
}

/** Another use of the tanks must fit better by this much, relative, to be worth leaving the usual one. */
const WORTH_ANOTHER_USE = 1e-3;

const PERFECT: Fit = { largest: 0, limitsBroken: false };

/** The usual use of the tanks, unless another fits better. */
function bestLabelling(
  problem: Omit<RecipeProblem, "rooms">,
  labellings: readonly TankRoom[][],
  solve: SolveLp,
): TankRoom[] {
  const [usual] = labellings;
  if (!usual) throw new Error("tanks are checked before");
  const isBetter = (a: Fit, b: Fit): boolean =>
    a.limitsBroken === b.limitsBroken ? a.largest < b.largest - WORTH_ANOTHER_USE : b.limitsBroken;
  let best = { rooms: usual, fit: bestFit({ ...problem, rooms: usual }, solve) };
  if (!isBetter(PERFECT, best.fit)) return usual;
  // Without any walls between products nothing can fit better: a labelling that comes near this ends the search.
  const open = usual.map((room) => ({ ...room, tank: { ...room.tank, dilution: 1 }, holds: "direct" as const }));
  const bound = bestFit({ ...problem, rooms: open.slice(0, 1) }, solve);
  for (const rooms of labellings.slice(1)) {
    if (!isBetter(bound, best.fit)) break;
    const fit = bestFit({ ...problem, rooms }, solve);
    if (isBetter(fit, best.fit)) best = { rooms, fit };
  }
  return best.rooms;
}
