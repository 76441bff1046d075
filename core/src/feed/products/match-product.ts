import { molarMassG } from "../../chemistry/formula.ts";
import { isTrace, type Ion } from "../../chemistry/ions.ts";
import { LABEL_PARTS, type Label, type LabelPart } from "./label.ts";
import { PRODUCTS } from "./library.ts";
import type { LibraryProduct } from "./product.ts";

/** Labels round and purities differ; another salt is further off than this, relative. */
const SAME = 0.08;
/** A minor part, as the ammonium of calcium nitrate, may differ by so much of the whole. */
const MINOR = 0.02;
/** What a label often leaves out. */
const UNSAID: readonly string[] = ["Cl", "Na", "SO4", "H", "HCO3"];

/**
 * The chemical of the library that a label describes: what it names agrees, and a word of the name is the same, since
 * two chelates may hold as much iron.
 *
 * @returns undefined for a blend, or a salt that the library does not have
 */
export function libraryProductLike(name: string, label: Label): LibraryProduct | undefined {
  const wanted = new Map<Ion, number>();
  for (const [part, pct = 0] of Object.entries(label) as [LabelPart, number | undefined][]) {
    const { formula, ion, atoms } = LABEL_PARTS[part];
    wanted.set(ion, (wanted.get(ion) ?? 0) + (pct * 10 * atoms) / molarMassG(formula));
  }
  const words = wordsOf(name);
  const shared = (product: LibraryProduct): number =>
    wordsOf(product.name).filter((word) => words.includes(word)).length;
  return PRODUCTS.filter((product) => agrees(product, wanted) && shared(product) > 0).sort(
    (a, b) => shared(b) - shared(a),
  )[0];
}

function agrees({ composition }: LibraryProduct, wanted: ReadonlyMap<Ion, number>): boolean {
  const whole = [...wanted.values()].reduce((sum, amount) => sum + amount, 0);
  const named = [...wanted].every(([ion, amount]) => {
    const has = composition[ion] ?? 0;
    return Math.abs(has - amount) <= SAME * Math.max(has, amount) + MINOR * whole;
  });
  const rest = Object.entries(composition).filter(([ion]) => !wanted.has(ion as Ion) && !UNSAID.includes(ion));
  return named && rest.every(([ion, amount]) => isTrace(ion as Ion) && amount < 0.01);
}

function wordsOf(name: string): string[] {
  return name
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((word) => word.length > 2);
}
