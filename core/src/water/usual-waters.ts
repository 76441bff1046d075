import type { AcidInput } from "./acid.ts";

/** An acid as it is sold: strength in mass per cent, density in kg/L at 20 °C. */
export type AcidSold = Pick<AcidInput, "acid"> &
  Required<Pick<AcidInput, "acidStrengthPct" | "acidDensityKgL">> & { readonly id: string };

/** @see CRC Handbook of Chemistry and Physics, density of aqueous solutions at 20 °C */
export const ACIDS_SOLD: readonly [AcidSold, ...AcidSold[]] = [
  { id: "nitric-60", acid: "HNO3", acidStrengthPct: 60, acidDensityKgL: 1.37 },
  { id: "nitric-38", acid: "HNO3", acidStrengthPct: 38, acidDensityKgL: 1.234 },
  { id: "phosphoric-75", acid: "H3PO4", acidStrengthPct: 75, acidDensityKgL: 1.58 },
  { id: "sulphuric-37", acid: "H2SO4", acidStrengthPct: 37, acidDensityKgL: 1.28 },
];

/** °C of a water whose temperature nobody has measured: a well's or a basin's in the season. Assumed. */
export const USUAL_WATER_TEMPERATURE_C = 15;

/** What a mixed water may bring at most before a person says otherwise: mmol/L of an ion, mS/cm of EC. Usual practice for substrate, assumed. */
export const USUAL_MIX_LIMITS = { Na: 0.5, HCO3: 2, ec: 0.5 } as const;
