import {
  carbonateAlkalinityMmolL,
  dissolvedCarbonMmolL,
  FEED_IONIC_STRENGTH,
  phosphateAlkalinityMmolL,
  phWhere,
  type CarbonateWater,
} from "../../chemistry/carbonate.ts";
import type { Ions } from "../../chemistry/ions.ts";
import { fill, type Worksheet } from "../../working/working.ts";
import { carbonPerGram } from "../products/product.ts";
import type { RecipeInput } from "./recipe-input.ts";
import type { RecipeSolution } from "./recipe-lp.ts";

/** A target pH is bicarbonate that is left: as much as the closed line has there. */
export function withBicarbonate({ target, water }: RecipeInput, sheet: Worksheet): Ions {
  if (target.ph === undefined || target.ions.HCO3 !== undefined) return target.ions;
  const carbon = waterCarbon(water, water.ions.HCO3 ?? 0);
  const left = Math.max(
    0,
    carbonateAlkalinityMmolL(target.ph, carbon) +
      phosphateAlkalinityMmolL(target.ph, target.ions.H2PO4 ?? 0, carbon.ionicStrength),
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
  const ionicStrength = FEED_IONIC_STRENGTH;
  if (ph === undefined || (ions.HCO3 ?? 0) === 0)
    return { temperatureC, ionicStrength, dicMmolL: ph === undefined ? null : 0 };
  return {
    temperatureC,
    ionicStrength,
    dicMmolL: Math.max(0, dissolvedCarbonMmolL(alkalinity, ph, temperatureC, ionicStrength)),
  };
}

/**
 * The feed's pH in the closed line, after what acids and bases have done.
 *
 * @param ions of the feed, mmol/L; HCO₃ is the alkalinity that is left, negative where acid is left over
 * @param addedCarbonMmolL carbon that products bring; their alkalinity is in `ions`
 */
export function closedPh(water: RecipeInput["water"], ions: Ions, addedCarbonMmolL: number): number {
  const carbon = waterCarbon(water, water.ions.HCO3 ?? 0);
  const dicMmolL = carbon.dicMmolL === null ? null : carbon.dicMmolL + addedCarbonMmolL;
  const closed: CarbonateWater = { ...carbon, dicMmolL };
  return phWhere(
    (at) => carbonateAlkalinityMmolL(at, closed) + phosphateAlkalinityMmolL(at, ions.H2PO4 ?? 0, closed.ionicStrength),
    ions.HCO3 ?? 0,
  );
}

export function feedPh({ water }: RecipeInput, ions: Ions, solution: RecipeSolution, sheet: Worksheet): number {
  if (water.ph === undefined)
    sheet.warn("The water's pH was not given: the feed's pH is that of water in balance with the air.");
  const added = solution.grams.reduce((sum, { product, gM3 }) => sum + (carbonPerGram(product) * gM3) / 1000, 0);
  return closedPh(water, ions, added);
}
