import type { Scales } from "@sprunel/core/feed/recipe";
import { fromCanonical, toCanonical, type UnitSystem } from "@sprunel/core/units";
import { showQuantity, type Shown } from "../../units/show.ts";

/** From here up bags are weighed on the coarse scale. */
const COARSE_FROM_KG = 1;
/** What weighs less than an ounce is weighed in grams everywhere. */
const OUNCE_KG = toCanonical("smallMass", 1, "oz") / 1000;

/** How a mass about so large is weighed and typed. */
export function scaleFor(kg: number, system: UnitSystem): "mass" | "smallMass" | "g" {
  if (kg >= COARSE_FROM_KG) return "mass";
  return system === "metric" || kg >= OUNCE_KG ? "smallMass" : "g";
}

/** A mass as a feed hand speaks of it. */
export function weighed(kg: number, system: UnitSystem): Shown {
  const scale = scaleFor(kg, system);
  if (scale === "mass") return showQuantity("mass", kg, system);
  if (scale === "smallMass" && system === "us") return showQuantity("smallMass", 1000 * kg, system);
  return { text: (kg * 1000).toFixed(kg < 0.1 ? 1 : 0), unit: "g" };
}

/** A mass to the last digit that its scale shows; nothing that was rounded to a step is rounded again. Ounces go beside the grams that fine scales read. */
export function onTheScale(kg: number, { coarseG, fineG }: Scales, system: UnitSystem): Shown {
  const digits = (step: number): number => Math.max(0, Math.ceil(-Math.log10(step) - 1e-9));
  if (kg < COARSE_FROM_KG) {
    const grams = (kg * 1000).toFixed(digits(fineG));
    if (scaleFor(kg, system) === "g" || system === "metric") return { text: grams, unit: "g" };
    return { text: fromCanonical("smallMass", kg * 1000, "oz").toFixed(2), unit: `oz (${grams} g)` };
  }
  const coarse = digits(coarseG / 1000);
  return system === "us"
    ? { text: fromCanonical("mass", kg, "lb").toFixed(coarse), unit: "lb" }
    : { text: kg.toFixed(coarse), unit: "kg" };
}
