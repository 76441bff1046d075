import { activityCoefficient } from "./activity.ts";
import type { Ions } from "./ions.ts";
import { carbonateConstants, phosphateShares } from "./carbonate.ts";

/** Free species of a solution at feed strength, mol/L. */
export interface FreeSpecies {
  readonly concentration: Readonly<Record<Species, number>>;
  readonly ionicStrength: number;
  activity(species: Species): number;
}

type Species =
  "H" | "OH" | "Na" | "K" | "NH4" | "Ca" | "Mg" | "Cl" | "NO3" | "HCO3" | "CO3" | "SO4" | "H2PO4" | "HPO4" | "PO4";

const SPECIES_CHARGE: Readonly<Record<Species, number>> = {
  H: 1,
  OH: -1,
  Na: 1,
  K: 1,
  NH4: 1,
  Ca: 2,
  Mg: 2,
  Cl: -1,
  NO3: -1,
  HCO3: -1,
  CO3: -2,
  SO4: -2,
  H2PO4: -1,
  HPO4: -2,
  PO4: -3,
};

/** log K of CaSO₄⁰ and MgSO₄⁰ at 25 °C. Nordstrom et al. (1990), ACS Symposium Series 416. */
const LOG_K_CA_SO4 = 2.3;
const LOG_K_MG_SO4 = 2.37;

/**
 * Speciates a solution at a pH: protonation of phosphate and carbonate, and the neutral pairs of calcium and magnesium
 * with sulphate, by fixed-point iteration over ionic strength.
 *
 * @param ions mmol/L; HCO₃ is the alkalinity of carbonate
 * @param ph 3 to 10
 */
export function speciate(ions: Ions, ph: number, temperatureC = 25): FreeSpecies {
  const mol = (amount: number | undefined): number => (amount ?? 0) / 1000;
  const { k2, kw } = carbonateConstants(temperatureC);
  const [ca, mg, so4] = [mol(ions.Ca), mol(ions.Mg), mol(ions.SO4)];
  let strength = 0.02;
  let free = { ca, mg, so4 };
  let concentration: Record<Species, number> | undefined;
  for (let round = 0; round < 60; round++) {
    const gamma1 = activityCoefficient(1, strength);
    const gamma2 = activityCoefficient(2, strength);
    // Two pairs compete for sulphate: its free share follows from a monotone equation, solved by bisection.
    const [kCa, kMg] = [10 ** LOG_K_CA_SO4 * gamma2 ** 2, 10 ** LOG_K_MG_SO4 * gamma2 ** 2];
    let [low, high] = [0, so4];
    for (let step = 0; step < 60; step++) {
      const s = (low + high) / 2;
      const total = s + (kCa * s * ca) / (1 + kCa * s) + (kMg * s * mg) / (1 + kMg * s);
      if (total > so4) high = s;
      else low = s;
    }
    const s = (low + high) / 2;
    free = { ca: ca / (1 + kCa * s), mg: mg / (1 + kMg * s), so4: s };
    const hydrogen = 10 ** -ph;
    const co3PerHco3 = (k2 * gamma1) / (hydrogen * gamma2);
    const hco3 = mol(ions.HCO3) / (1 + 2 * co3PerHco3);
    const p = phosphateShares(ph, strength);
    const phosphate = mol(ions.H2PO4);
    concentration = {
      H: hydrogen / gamma1,
      OH: kw / hydrogen / gamma1,
      Na: mol(ions.Na),
      K: mol(ions.K),
      NH4: mol(ions.NH4),
      Ca: free.ca,
      Mg: free.mg,
      Cl: mol(ions.Cl),
      NO3: mol(ions.NO3),
      HCO3: hco3,
      CO3: hco3 * co3PerHco3,
      SO4: free.so4,
      H2PO4: phosphate * p.h2po4,
      HPO4: phosphate * p.hpo4,
      PO4: phosphate * p.po4,
    };
    const next =
      0.5 *
      Object.entries(concentration).reduce((sum, [species, c]) => sum + c * SPECIES_CHARGE[species as Species] ** 2, 0);
    const moved = Math.abs(next - strength);
    strength = next;
    if (moved < 1e-9) break;
  }
  if (!concentration) throw new Error("at least one round is run");
  const found = concentration;
  return {
    concentration: found,
    ionicStrength: strength,
    activity: (species) => found[species] * activityCoefficient(SPECIES_CHARGE[species], strength),
  };
}

/** Molar conductivities at infinite dilution and 25 °C, S·cm²/mol of ion. CRC Handbook of Chemistry and Physics. */
const MOLAR_CONDUCTIVITY: Readonly<Record<Species, number>> = {
  H: 349.8,
  OH: 198,
  Na: 50.1,
  K: 73.5,
  NH4: 73.5,
  Ca: 119,
  Mg: 106.1,
  Cl: 76.3,
  NO3: 71.4,
  HCO3: 44.5,
  CO3: 138.6,
  SO4: 160,
  H2PO4: 36,
  HPO4: 114,
  // Not in the table by name: three equivalents of 69; it matters above pH 11 only.
  PO4: 207,
};

/**
 * Electrical conductivity of a solution from its free ions.
 *
 * EC = Σ Λ°·c·γ^α with α = 0.6/√|z| below I = 0.36·|z|, √I/|z| beyond.
 *
 * @returns mS/cm at 25 °C
 * @see Appelo (2010), Specific Conductance: how to calculate, to use, and the pitfalls
 * @example ecMsCm({ K: 10, Cl: 10 }, 7) // ≈ 1.41
 */
export function ecMsCm(ions: Ions, ph: number): number {
  const { concentration, ionicStrength } = speciate(ions, ph);
  return Object.entries(concentration).reduce((sum, [name, c]) => {
    const species = name as Species;
    const z = Math.abs(SPECIES_CHARGE[species]);
    const alpha = ionicStrength < 0.36 * z ? 0.6 / Math.sqrt(z) : Math.sqrt(ionicStrength) / z;
    return sum + MOLAR_CONDUCTIVITY[species] * c * activityCoefficient(z, ionicStrength) ** alpha;
  }, 0);
}
