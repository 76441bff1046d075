import { molarMassG } from "../chemistry/formula.ts";
import { CHARGE, isTrace, type Ion } from "../chemistry/ions.ts";
import type { Concept } from "../table/lexicon.ts";
import type { Meaning } from "../table/meaning.ts";
import type { Quantity } from "../table/quantity.ts";
import { EC_QUANTITY } from "../table/usual-quantities.ts";
import type { Declaration } from "../table/declaration.ts";

/** What a laboratory measures: an ion, or one of the figures beside them. */
export type Analyte = Ion | "ph" | "ec" | "hardness";

/** An analyte in the form in which it is counted. */
const WATER_FORMS = [
  ...(["Ca", "Mg", "Na", "K", "NH4", "NH4 as N", "NO3", "NO3 as N", "Cl", "SO4", "SO4 as S", "HCO3"] as const),
  ...(["alkalinity", "PO4", "P", "P2O5", "Si", "SiO2", "Fe", "Mn", "Zn", "B", "Cu", "Mo"] as const),
] as const;
type WaterForm = (typeof WATER_FORMS)[number];
/** What a column of a water report may mean: an analyte, or what sample it is. */
export type WaterColumn = WaterForm | "ph" | "ec" | "hardness" | "date" | "sample";

interface Form {
  readonly ion: Ion;
  /** in which the report's milligrams are counted */
  readonly counted: string;
  /** ions in one of it */
  readonly ions: number;
}

const form = (ion: Ion, counted: string = ion, ions = 1): Form => ({ ion, counted, ions });

/** Nitrogen forms stand as N or as the ion. Two bicarbonates answer one calcium carbonate. */
const FORMS: Readonly<Record<WaterForm, Form>> = {
  Ca: form("Ca"),
  Mg: form("Mg"),
  Na: form("Na"),
  K: form("K"),
  NH4: form("NH4"),
  "NH4 as N": form("NH4", "N"),
  NO3: form("NO3"),
  "NO3 as N": form("NO3", "N"),
  Cl: form("Cl"),
  SO4: form("SO4"),
  "SO4 as S": form("SO4", "S"),
  HCO3: form("HCO3"),
  alkalinity: form("HCO3", "CaCO3", 2),
  PO4: form("H2PO4", "PO4"),
  P: form("H2PO4", "P"),
  P2O5: form("H2PO4", "P2O5", 2),
  Si: form("Si"),
  SiO2: form("Si", "SiO2"),
  Fe: form("Fe"),
  Mn: form("Mn"),
  Zn: form("Zn"),
  B: form("B"),
  Cu: form("Cu"),
  Mo: form("Mo"),
};

/** mmol/L, or µmol/L of trace elements, of what is counted in a form; a litre is taken for a kilogram. */
function amountOf({ ion, counted, ions }: Form): Quantity {
  const trace = isTrace(ion) ? 1000 : 1;
  const charge = Math.abs(CHARGE[ion]);
  const ofMilligram = (trace * ions) / molarMassG(counted);
  return {
    units: ["mg/L", "mmol/L", ...(charge > 0 ? ["meq/L"] : []), "µmol/L", "µg/L"],
    canonical: isTrace(ion) ? "µmol/L" : "mmol/L",
    alike: { "mg/L": ofMilligram, "mg/kg": ofMilligram, ...(charge > 0 && { "meq/L": trace / charge }) },
  };
}

const HARDNESS: Quantity = {
  units: ["°dH", "°fH", "mmol/L", "meq/L", "mg/L"],
  canonical: "mmol/L",
  alike: { "meq/L": 0.5, "mg/L": 1 / molarMassG("CaCO3"), "mg/kg": 1 / molarMassG("CaCO3") },
};

const named = (of: WaterForm, ...words: readonly (readonly Concept[])[]): Meaning => ({
  named: words,
  beside: ["total", "water", "value", "mineral"],
  quantity: amountOf(FORMS[of]),
});

export const WATER_DECLARATION: Declaration<WaterColumn> = {
  meanings: {
    sample: { named: [["sample"], ["water"], ["zone"], ["product"], ["water", "sample"]] },
    date: { named: [["date"]], never: ["paper"] },
    ph: { named: [["ph"]], beside: ["water", "value"], lies: { least: 5.2, most: 9 } },
    ec: { named: [["ec"]], beside: ["water", "value"], quantity: EC_QUANTITY },
    hardness: { named: [["hardness"]], never: ["carbonate"], beside: ["total", "water"], quantity: HARDNESS },
    alkalinity: named("alkalinity", ["alkalinity"], ["carbonate", "hardness"], ["acid", "capacity"]),
    "NO3 as N": named("NO3 as N", ["nitrate", "N"]),
    "NH4 as N": named("NH4 as N", ["ammonium", "N"]),
    "SO4 as S": named("SO4 as S", ["sulfate", "S"], ["S"]),
    HCO3: named("HCO3", ["bicarbonate"], ["carbonate", "bicarbonate"]),
    NO3: named("NO3", ["nitrate"]),
    NH4: named("NH4", ["ammonium"]),
    PO4: named("PO4", ["phosphate"]),
    P: named("P", ["P"], ["phosphate", "P"]),
    P2O5: named("P2O5", ["P2O5"]),
    SO4: named("SO4", ["sulfate"]),
    Ca: named("Ca", ["Ca"]),
    Mg: named("Mg", ["Mg"]),
    Na: named("Na", ["Na"]),
    K: named("K", ["K"]),
    Cl: named("Cl", ["Cl"]),
    Si: named("Si", ["Si"]),
    SiO2: named("SiO2", ["silica"]),
    Fe: named("Fe", ["Fe"]),
    Mn: named("Mn", ["Mn"]),
    Zn: named("Zn", ["Zn"]),
    B: named("B", ["B"]),
    Cu: named("Cu", ["Cu"]),
    Mo: named("Mo", ["Mo"]),
  },
  needs: [["Ca", "Mg", "Na", "K", "NO3", "NO3 as N", "Cl", "SO4", "HCO3", "alkalinity", "ec"]],
  identity: ["sample", "date"],
  times: { date: "date" },
};

function isForm(kind: string): kind is WaterForm {
  return (WATER_FORMS as readonly string[]).includes(kind);
}

/** An analyte that a column tells, with the form that it is counted in; null for what sample it is. */
export function analyteOf(kind: WaterColumn | "ignore"): Analyte | null {
  if (kind === "ph" || kind === "ec" || kind === "hardness") return kind;
  return isForm(kind) ? FORMS[kind].ion : null;
}

/** What one carries that a unit names as that in which amounts are counted: "mg/L CaCO₃" of calcium, "mg N/L" of nitrate. */
const IONS_IN: Readonly<Record<string, Partial<Record<Ion, number>>>> = {
  N: { NO3: 1, NH4: 1 },
  NO3: { NO3: 1 },
  NH4: { NH4: 1 },
  P: { H2PO4: 1 },
  PO4: { H2PO4: 1 },
  H2PO4: { H2PO4: 1 },
  P2O5: { H2PO4: 2 },
  S: { SO4: 1 },
  SO4: { SO4: 1 },
  SO3: { SO4: 1 },
  HCO3: { HCO3: 1 },
  CaCO3: { HCO3: 2, Ca: 1, Mg: 1 },
  CO3: { HCO3: 2 },
  CaO: { Ca: 1 },
  MgO: { Mg: 1 },
  K2O: { K: 2 },
  Na2O: { Na: 2 },
  SiO2: { Si: 1 },
};

/** By how much an amount counted in what its unit names differs from one in its column's form; null where that cannot be. */
export function countedIn(kind: WaterColumn, basis: string): number | null {
  if (!isForm(kind)) return 1;
  const { ion, counted, ions } = FORMS[kind];
  if (basis === counted) return 1;
  const inOne = IONS_IN[basis]?.[ion];
  return inOne === undefined ? null : ((inOne / molarMassG(basis)) * molarMassG(counted)) / ions;
}
