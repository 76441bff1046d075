import { compositionOfLabel, type Label } from "./label.ts";
import type { LibraryProduct } from "./product.ts";

/** A water-soluble grade by the label that is usual for it; what a maker's bag says goes before it. */
function grade(id: string, name: string, label: Label, solubilityGL: number): LibraryProduct {
  return {
    id,
    name,
    form: "solid",
    formula: name,
    purityPct: 100,
    composition: compositionOfLabel(label, false).composition,
    compositionSource: "a usual label of the trade; type your own bag's label as a bag of your own",
    solubility: [0.75, 0.9, 1, 1.1, 1.2].map((share) => Math.round(share * solubilityGL)) as unknown as NonNullable<
      LibraryProduct["solubility"]
    >,
    solubilitySource: `about ${solubilityGL} g/L at 20 °C, usual for such grades, assumed`,
    cautions: ["Avoid dust; gloves.", "Never with calcium in one tank."],
  };
}

const TRACES: Label = { Fe: 0.12, Mn: 0.05, Zn: 0.02, B: 0.02, Cu: 0.01, Mo: 0.005 };

/** Grades N-P₂O₅-K₂O. */
export const GRADES: readonly LibraryProduct[] = [
  grade(
    "grade-20-20-20",
    "Grade 20-20-20",
    { nitrateN: 6, ammoniumN: 4, ureaN: 10, P2O5: 20, K2O: 20, ...TRACES },
    300,
  ),
  grade("grade-20-10-20", "Grade 20-10-20, no urea", { nitrateN: 12, ammoniumN: 8, P2O5: 10, K2O: 20, ...TRACES }, 350),
  grade(
    "grade-6-10-28",
    "Base grade 6-10-28 with magnesium",
    { nitrateN: 6, P2O5: 10, K2O: 28, MgO: 4, SO3: 8.97, Fe: 0.2, Mn: 0.06, Zn: 0.03, B: 0.03, Cu: 0.005, Mo: 0.005 },
    180,
  ),
];
