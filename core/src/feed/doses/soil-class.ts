/** What a soil's store of phosphorus or potassium asks for: more than is removed, as much, less, or nothing. */
export const SOIL_CLASSES = ["build", "keep", "draw-down", "none"] as const;
export type SoilClass = (typeof SOIL_CLASSES)[number];
export type Stored = "P" | "K";

/** Times what is removed. Assumed: a soil is built up, or drawn down, over some years. */
export const CLASS_FACTOR: Readonly<Record<SoilClass, number>> = { build: 1.5, keep: 1, "draw-down": 0.5, none: 0 };

/**
 * Upper ends of the classes, mg/kg: soil indices 0 and 1 are built up, 2 is kept, 3 drawn down, 4 and more needs nothing. P as
 * Olsen's, K in ammonium nitrate. AHDB Nutrient Management Guide (RB209), section 1, soil indices, mg/L taken as mg/kg; a test by
 * another method has other ends.
 */
const UPPER_MG_KG: Readonly<Record<Stored, readonly (readonly [SoilClass, number])[]>> = {
  P: [
    ["build", 15],
    ["keep", 25],
    ["draw-down", 45],
  ],
  K: [
    ["build", 120],
    ["keep", 240],
    ["draw-down", 400],
  ],
};

/** The class of a test, mg of the element in a kg of soil. */
export function classOf(nutrient: Stored, mgKg: number): SoilClass {
  return UPPER_MG_KG[nutrient].find(([, upper]) => Math.round(mgKg) <= upper)?.[0] ?? "none";
}
