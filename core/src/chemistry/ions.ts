/** The ions of recipes and reports. Macro ions in mmol/L, trace elements in µmol/L. */

export const MACRO_IONS = ["NO3", "NH4", "urea", "H2PO4", "K", "Ca", "Mg", "SO4", "Cl", "Na", "HCO3", "Si"] as const;
const TRACE_IONS = ["Fe", "Mn", "Zn", "B", "Cu", "Mo"] as const;
export const IONS = [...MACRO_IONS, ...TRACE_IONS] as const;
type TraceIon = (typeof TRACE_IONS)[number];
export type Ion = (typeof IONS)[number];

/** Amounts of ions; what is left out is none. */
export type Ions = Readonly<Partial<Record<Ion, number>>>;

/**
 * Charge of one mole. P is counted as H₂PO₄⁻; silicon as silicic acid, trace elements and urea carry none here:
 * at feed strength they move the balance by less than 0.1 meq/L.
 */
export const CHARGE: Readonly<Record<Ion, number>> = {
  NO3: -1,
  NH4: 1,
  urea: 0,
  H2PO4: -1,
  K: 1,
  Ca: 2,
  Mg: 2,
  SO4: -2,
  Cl: -1,
  Na: 1,
  HCO3: -1,
  Si: 0,
  Fe: 0,
  Mn: 0,
  Zn: 0,
  B: 0,
  Cu: 0,
  Mo: 0,
};

export function isTrace(ion: Ion): ion is TraceIon {
  return (TRACE_IONS as readonly string[]).includes(ion);
}

export interface ChargeBalance {
  readonly cationsMeqL: number;
  readonly anionsMeqL: number;
  /** 100·(cations − anions)/(cations + anions); 0 for pure water */
  readonly errorPct: number;
}

/** Sums of charges of a solution's macro ions. */
export function chargeBalance(ions: Ions): ChargeBalance {
  const sum = (sign: 1 | -1): number =>
    MACRO_IONS.reduce((total, ion) => total + Math.max(0, sign * CHARGE[ion] * (ions[ion] ?? 0)), 0);
  const [cationsMeqL, anionsMeqL] = [sum(1), sum(-1)];
  const both = cationsMeqL + anionsMeqL;
  return { cationsMeqL, anionsMeqL, errorPct: both === 0 ? 0 : (100 * (cationsMeqL - anionsMeqL)) / both };
}
