/** kg of nutrient in a tonne of what is taken off the field. */
interface Removal {
  readonly nKgT: number;
  readonly pKgT: number;
}

/**
 * What crops take off the field with their yield.
 *
 * Usual figures of fertiliser tables for vegetables, rounded; written from memory and not checked against one table, so
 * they are shown as assumed and can be changed.
 */
const REMOVAL: Readonly<Record<string, Removal>> = {
  courgette: { nKgT: 1.6, pKgT: 0.25 },
  fennel: { nKgT: 2, pKgT: 0.3 },
  "water-spinach": { nKgT: 3.5, pKgT: 0.4 },
};
const USUAL: Removal = { nKgT: 2, pKgT: 0.3 };

/** Assumed figures, the usual of vegetables for a crop that has none of its own. */
export function assumedRemoval(cropId: string): Removal {
  return REMOVAL[cropId] ?? USUAL;
}
