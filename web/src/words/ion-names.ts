import type { Ion } from "@sprunel/contract/basics";

/** Ions as they are written, cations first. */
export const CATIONS: readonly Ion[] = ["K", "Ca", "Mg", "NH4", "Na"];
export const ANIONS: readonly Ion[] = ["NO3", "H2PO4", "SO4", "Cl", "HCO3"];
export const TRACES: readonly Ion[] = ["Fe", "Mn", "Zn", "B", "Cu", "Mo"];

const WRITTEN: Partial<Record<Ion, string>> = {
  NH4: "NH₄",
  NO3: "NO₃",
  H2PO4: "H₂PO₄",
  SO4: "SO₄",
  HCO3: "HCO₃",
  urea: "Urea",
};

export function ionName(ion: Ion): string {
  return WRITTEN[ion] ?? ion;
}
