/** Kinds of figures of a crop whose usual spread is known, or assumed. */
export const RANGED = [
  ...(["kc", "leafArea", "rootDepth", "days", "drain", "drier"] as const),
  ...(["baseC", "usualC", "depletion", "ecThreshold", "ecZero", "removal", "radiationShare"] as const),
] as const;
export type Ranged = (typeof RANGED)[number];

/** What a figure of a crop is between in most places, and what that rests on. */
export interface UsualRange {
  readonly from: number;
  readonly to: number;
  readonly basis: string;
}

const share = (of: number, basis: string, least = 0) => ({
  span: (value: number): readonly [number, number] => [Math.max(least, value * (1 - of)), value * (1 + of)],
  basis,
});
const around = (by: number, basis: string, least = -Infinity, most = Infinity) => ({
  span: (value: number): readonly [number, number] => [Math.max(least, value - by), Math.min(most, value + by)],
  basis,
});

const RULES: Readonly<
  Record<Ranged, { readonly span: (value: number) => readonly [number, number]; readonly basis: string }>
> = {
  // (0.04·(u₂ − 2) − 0.004·(RHmin − 45))·(h/3)^0.3 of a crop of half a metre, from 1 m/s and 80 % to 4 m/s and 20 %
  kc: around(0.1, "FAO-56, eq. 62: from humid and calm to dry and windy, for a crop of half a metre", 0.1),
  // p + 0.04·(5 − ETc)
  depletion: around(0.08, "FAO-56, table 22: from 3 to 7 mm of demand in a day", 0.1, 0.8),
  days: share(0.2, "by variety and season, as FAO-56, table 11, lists one crop in several places; assumed", 1),
  leafArea: share(0.25, "by spacing and training; assumed"),
  rootDepth: share(0.3, "by soil and watering, as the spans of FAO-56, table 22; assumed", 0.03),
  drain: around(10, "by water and substrate; assumed", 0, 60),
  drier: around(5, "by season; assumed", 0, 60),
  baseC: around(2, "by variety and by how it was found; assumed"),
  usualC: around(3, "by season; assumed"),
  ecThreshold: share(0.25, "by variety and climate, as Maas & Grattan (1999) caution; assumed"),
  ecZero: share(0.2, "by variety and climate, as Maas & Grattan (1999) caution; assumed"),
  removal: share(0.3, "by variety, yield and supply; assumed"),
  radiationShare: around(0.15, "by training and by house; assumed", 0.05, 1),
};

/**
 * Within what a figure of a crop usually lies.
 *
 * @param value in the figure's own unit
 * @example usualRange("kc", 1.15) // { from: 1.05, to: 1.25, … }
 */
export function usualRange(kind: Ranged, value: number): UsualRange {
  const { span, basis } = RULES[kind];
  const [from, to] = span(value);
  return { from, to, basis };
}

/** Whether a person's own figure lies outside what is usual about the library's. */
export function isUnusual(kind: Ranged, own: number, ofLibrary: number): boolean {
  const { from, to } = usualRange(kind, ofLibrary);
  return own < from - 1e-9 || own > to + 1e-9;
}
