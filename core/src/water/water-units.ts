import { molarMassG } from "../chemistry/formula.ts";
import { CHARGE, isTrace, type Ion } from "../chemistry/ions.ts";

/** What a laboratory measures: an ion, or one of the figures beside them. */
export type Analyte = Ion | "ph" | "ec" | "hardness";

interface Rule {
  readonly analyte: Analyte;
  readonly label: RegExp;
  /** in which the report's milligrams are counted */
  readonly form: string;
}

/** Labels as laboratories write them, the more exact before the looser; nitrogen forms stand as N or as the ion. */
const RULES: readonly Rule[] = [
  { analyte: "hardness", label: /total hardness|^hardness|gesamth/i, form: "" },
  { analyte: "HCO3", label: /alkalinity|carbonate hardness|acid capacity/i, form: "CaCO3" },
  { analyte: "ph", label: /\bph\b/i, form: "" },
  { analyte: "ec", label: /\bec\b|conductiv/i, form: "" },
  { analyte: "NO3", label: /no3[- ]?n\b|nitrate[- ]n/i, form: "N" },
  { analyte: "NH4", label: /nh4[- ]?n\b|ammonium[- ]n/i, form: "N" },
  { analyte: "HCO3", label: /hco3|bicarbonate|hydrogen ?carbonate/i, form: "HCO3" },
  { analyte: "NO3", label: /\bno3|nitrate/i, form: "NO3" },
  { analyte: "NH4", label: /\bnh4|ammoni/i, form: "NH4" },
  { analyte: "H2PO4", label: /po4|phosphate/i, form: "PO4" },
  { analyte: "H2PO4", label: /^p\b|phosphorus/i, form: "P" },
  { analyte: "SO4", label: /so4|sul(ph|f)ate/i, form: "SO4" },
  { analyte: "SO4", label: /^s\b|sul(ph|f)ur/i, form: "S" },
  { analyte: "Ca", label: /^ca\b|calcium/i, form: "Ca" },
  { analyte: "Mg", label: /^mg\b|magnesium/i, form: "Mg" },
  { analyte: "Na", label: /^na\b|sodium/i, form: "Na" },
  { analyte: "K", label: /^k\b|potassium/i, form: "K" },
  { analyte: "Cl", label: /^cl\b|chloride/i, form: "Cl" },
  { analyte: "Si", label: /^si\b|silic/i, form: "Si" },
  { analyte: "Fe", label: /^fe\b|iron/i, form: "Fe" },
  { analyte: "Mn", label: /^mn\b|manganese/i, form: "Mn" },
  { analyte: "Zn", label: /^zn\b|zinc/i, form: "Zn" },
  { analyte: "B", label: /^b\b|boron/i, form: "B" },
  { analyte: "Cu", label: /^cu\b|copper/i, form: "Cu" },
  { analyte: "Mo", label: /^mo\b|molybden/i, form: "Mo" },
];

export interface MeasuredAs {
  readonly analyte: Analyte;
  /** canonical amount of one shown: mmol/L (µmol/L for trace elements), mS/cm, mmol/L of Ca + Mg */
  readonly factor: number;
  readonly unit: string;
}

/** What a label and a unit mean together; null for what is no analyte, or a unit that does not fit it. */
export function measuredAs(label: string, unit: string): MeasuredAs | null {
  const rule = RULES.find((candidate) => candidate.label.test(label));
  if (!rule) return null;
  const plain = unit.replace(/\s/g, "").replace("μ", "µ");
  const factor = factorOf(rule, plain.toLowerCase());
  return factor === null ? null : { analyte: rule.analyte, factor, unit: plain };
}

/** 1 °dH is 10 mg of CaO in a litre: 0.1783 mmol of Ca + Mg, 0.3566 meq; 1 °f is 10 mg of CaCO₃: 0.1998 meq. */
const MEQ_PER_DEGREE: Readonly<Record<string, number>> = {
  "°dh": 20 / molarMassG("CaO"),
  "°f": 20 / molarMassG("CaCO3"),
  "°fh": 20 / molarMassG("CaCO3"),
};

function factorOf({ analyte, form }: Rule, unit: string): number | null {
  if (analyte === "ph") return 1;
  if (analyte === "ec")
    return (
      ({ "ms/cm": 1, "ds/m": 1, "µs/cm": 0.001, "us/cm": 0.001, "ms/m": 0.01 } as Record<string, number>)[unit] ?? null
    );
  const degree = MEQ_PER_DEGREE[unit];
  if (analyte === "hardness")
    return degree !== undefined
      ? degree / 2
      : unit === "mmol/l"
        ? 1
        : unit === "meq/l"
          ? 0.5
          : unit === "mg/l"
            ? 1 / molarMassG("CaCO3")
            : null;
  const trace = isTrace(analyte) ? 1000 : 1;
  if (analyte === "HCO3" && degree !== undefined) return degree;
  switch (unit) {
    case "mmol/l":
      return trace;
    case "µmol/l":
    case "umol/l":
      return trace / 1000;
    case "meq/l":
    case "mval/l":
      return CHARGE[analyte] === 0 ? null : trace / Math.abs(CHARGE[analyte]);
    case "mg/l":
    case "ppm":
      return (trace * equivalents(form)) / molarMassG(form);
    case "µg/l":
    case "ug/l":
      return (trace * equivalents(form)) / molarMassG(form) / 1000;
    default:
      return null;
  }
}

/** Two bicarbonates answer one calcium carbonate. */
function equivalents(form: string): number {
  return form === "CaCO3" ? 2 : 1;
}
