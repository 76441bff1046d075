import type { Scales } from "@sprunel/core/feed";
import { fromCanonical, type UnitSystem } from "@sprunel/core/units";
import { showQuantity, type Shown } from "../../units/show.ts";

/** From here up bags are weighed on the coarse scale; below stands the fine one, and fine scales read grams everywhere. */
const COARSE_FROM_KG = 1;

/** A mass as a feed hand speaks of it. */
export function weighed(kg: number, system: UnitSystem): Shown {
  if (kg >= COARSE_FROM_KG) return showQuantity("mass", kg, system);
  return { text: (kg * 1000).toFixed(kg < 0.1 ? 1 : 0), unit: "g" };
}

/** A mass to the last digit that its scale shows; nothing that was rounded to a step is rounded again. */
export function onTheScale(kg: number, { coarseG, fineG }: Scales, system: UnitSystem): Shown {
  const digits = (step: number): number => Math.max(0, Math.ceil(-Math.log10(step) - 1e-9));
  if (kg < COARSE_FROM_KG) return { text: (kg * 1000).toFixed(digits(fineG)), unit: "g" };
  const coarse = digits(coarseG / 1000);
  return system === "us"
    ? { text: fromCanonical("mass", kg, "lb").toFixed(coarse), unit: "lb" }
    : { text: kg.toFixed(coarse), unit: "kg" };
}
