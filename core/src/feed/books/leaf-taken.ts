import type { MainAmounts } from "../doses/nutrients.ts";

/** Leaf, shoots or whole plants that were taken off beside what is picked, and carried away. */
export interface LeafTaken {
  /** fresh, kg */
  readonly massKg: number;
  /** share of it that is dry matter, % */
  readonly dryPct: number;
  /** of the dry matter, as elements, % */
  readonly nPct: number;
  readonly pPct: number;
  readonly kPct: number;
}

/**
 * What leaf holds where nobody had it analysed: in the middle of what sufficiency tables of fruit vegetables give for full-grown
 * leaves, at an eighth of dry matter. Assumed for any one crop, and told as assumed.
 */
export const USUAL_LEAF = { dryPct: 12, nPct: 3.5, pPct: 0.4, kPct: 4 } as const;

/** What went with it, kg/ha of the ground that it grew on, m². */
export function inLeaf({ massKg, dryPct, nPct, pPct, kPct }: LeafTaken, areaM2: number): MainAmounts {
  const dryKgHa = (massKg * dryPct) / 100 / (areaM2 / 10_000);
  return { N: (dryKgHa * nPct) / 100, P: (dryKgHa * pPct) / 100, K: (dryKgHa * kPct) / 100 };
}
