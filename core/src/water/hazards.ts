import { molarMassG } from "../chemistry/formula.ts";
import type { Ions } from "../chemistry/ions.ts";
import { speciate } from "../chemistry/solution.ts";
import { carbonateConstants } from "../chemistry/carbonate.ts";
import { fill, type WorkingStep } from "../working/working.ts";

export type HazardClass = "none" | "moderate" | "severe" | "unknown";

export interface Hazard {
  readonly id: string;
  readonly name: string;
  /** null where the report does not say */
  readonly value: number | null;
  readonly unit: string;
  readonly class: HazardClass;
  /** what it does, in a grower's words */
  readonly effect: string;
  readonly step: WorkingStep | null;
}

interface HazardInput {
  readonly ions: Ions;
  readonly ph: number | null;
  readonly ecMsCm: number | null;
  readonly temperatureC: number;
  /** mg/L */
  readonly suspendedSolidsMgL?: number | undefined;
}

const BUCKS = "Bucks, Nakayama & Gilbert (1979)";
const FAO29 = "Ayers & Westcot (1985), FAO-29 rev. 1, table 1";
/** mg/L of dissolved solids in a water of 1 mS/cm; usual for mixed salts. FAO-29. */
const TDS_PER_EC = 640;

function classOf(value: number | null, slight: number, severe: number): HazardClass {
  if (value === null) return "unknown";
  return value < slight ? "none" : value <= severe ? "moderate" : "severe";
}

/**
 * What a water does to lines, soil and plants, each by its published limits. What the report does not name is unknown,
 * and asked for; nothing is guessed.
 */
export function waterHazards(input: HazardInput): Hazard[] {
  return [...clogging(input), scaling(input), ...soil(input), ...plants(input)];
}

function clogging({ ions, ph, ecMsCm, suspendedSolidsMgL }: HazardInput): Hazard[] {
  const metal = (element: "Fe" | "Mn"): number | null => {
    const micromol = ions[element];
    return micromol === undefined ? null : (micromol * molarMassG(element)) / 1000;
  };
  const solids = ecMsCm === null ? null : ecMsCm * TDS_PER_EC;
  const rows: readonly [string, string, number | null, string, number, number, string][] = [
    ["ph", "pH", ph, "", 7, 8, "lime and iron settle more easily the higher it is"],
    ["tds", "Dissolved solids", solids, "mg/L", 500, 2000, "salts are left where drops dry"],
    ["iron", "Iron", metal("Fe"), "mg/L", 0.1, 1.5, "rust and iron bacteria plug drippers; a low pH does not clear it"],
    ["manganese", "Manganese", metal("Mn"), "mg/L", 0.1, 1.5, "black slime in lines"],
    ["solids", "Suspended solids", suspendedSolidsMgL ?? null, "mg/L", 50, 100, "silt and algae need a filter"],
  ];
  return rows.map(([id, name, value, unit, slight, severe, effect]) => ({
    id,
    name,
    value,
    unit,
    class: classOf(value, slight, severe),
    effect,
    step:
      value === null
        ? null
        : {
            label: `Clogging by ${name}`,
            formula: `slight under ${slight}, severe over ${severe}${unit && ` ${unit}`}`,
            substituted: (id === "tds" ? fill`${ecMsCm ?? 0} mS/cm × ${TDS_PER_EC}` : fill`${value}`)(),
            value,
            unit,
            source: BUCKS,
          },
  }));
}

/**
 * Langelier's index: the water's pH less the pH at which it is in balance with lime.
 *
 * @param temperatureC °C, 0 to 50
 * @returns positive where lime settles; null without calcium or bicarbonate
 * @see Langelier (1936); solubility of calcite by Plummer & Busenberg (1982)
 */
export function langelierIndex(ions: Ions, ph: number, temperatureC: number): number | null {
  if (!ions.Ca || !ions.HCO3) return null;
  const found = speciate(ions, ph, temperatureC);
  const t = temperatureC + 273.15;
  const logKsp = -171.9065 - 0.077993 * t + 2839.319 / t + 71.595 * Math.log10(t);
  const logK2 = Math.log10(carbonateConstants(temperatureC).k2);
  const saturationPh = logKsp - logK2 - Math.log10(found.activity("Ca")) - Math.log10(found.activity("HCO3"));
  return ph - saturationPh;
}

function scaling({ ions, ph, temperatureC }: HazardInput): Hazard {
  const index = ph === null ? null : langelierIndex(ions, ph, temperatureC);
  return {
    id: "langelier",
    name: "Langelier index",
    value: index,
    unit: "",
    class: index === null ? "unknown" : index <= 0 ? "none" : index <= 0.5 ? "moderate" : "severe",
    effect:
      index === null
        ? "told once pH, calcium and bicarbonate are measured"
        : index > 0
          ? "lime settles in lines and drippers; acid prevents it"
          : "lime stays dissolved",
    step:
      index === null || ph === null
        ? null
        : {
            label: "Langelier index",
            formula: "pH − pHs, pHs = log Ksp − log K₂ − log a(Ca) − log a(HCO₃)",
            substituted: fill`${ph} − ${ph - index} at ${temperatureC} °C`(),
            value: index,
            unit: "",
            source: "Langelier (1936); Plummer & Busenberg (1982)",
          },
  };
}

/** SAR up to which each EC of the water keeps soil open: none above the first EC, severe below the second. FAO-29, table 1. */
const INFILTRATION: readonly { readonly sarTo: number; readonly noneFrom: number; readonly severeBelow: number }[] = [
  { sarTo: 3, noneFrom: 0.7, severeBelow: 0.2 },
  { sarTo: 6, noneFrom: 1.2, severeBelow: 0.3 },
  { sarTo: 12, noneFrom: 1.9, severeBelow: 0.5 },
  { sarTo: 20, noneFrom: 2.9, severeBelow: 1.3 },
  { sarTo: Infinity, noneFrom: 5, severeBelow: 2.9 },
];

/**
 * Sodium adsorption ratio, of meq/L: Na / √((Ca + Mg) / 2).
 *
 * @param ions mmol/L
 * @returns null without sodium, or without calcium and magnesium
 */
export function sodiumAdsorptionRatio({ Na, Ca = 0, Mg = 0 }: Ions): number | null {
  return Na !== undefined && Ca + Mg > 0 ? Na / Math.sqrt(Ca + Mg) : null;
}

function soil({ ions, ecMsCm }: HazardInput): Hazard[] {
  const sar = sodiumAdsorptionRatio(ions);
  const row = INFILTRATION.find((candidate) => (sar ?? 0) < candidate.sarTo);
  const known = sar !== null && ecMsCm !== null && row !== undefined;
  const verdict: HazardClass = !known
    ? "unknown"
    : ecMsCm > row.noneFrom
      ? "none"
      : ecMsCm >= row.severeBelow
        ? "moderate"
        : "severe";
  return [
    {
      id: "sar",
      name: "Sodium against Ca and Mg (SAR)",
      value: sar,
      unit: "",
      class: verdict,
      effect:
        verdict === "none" || verdict === "unknown"
          ? "soil stays open"
          : "with so little salt and this much sodium, soil under it seals and takes water slowly",
      step:
        sar === null
          ? null
          : {
              label: "SAR",
              formula: "Na / √((Ca + Mg) / 2), meq/L",
              substituted: fill`${ions.Na ?? 0} ÷ √((${2 * (ions.Ca ?? 0)} + ${2 * (ions.Mg ?? 0)}) ÷ 2)`(),
              value: sar,
              unit: "",
              source: `${FAO29}, with EC ${ecMsCm ?? "unknown"} mS/cm`,
            },
    },
  ];
}

function plants({ ions }: HazardInput): Hazard[] {
  const boron = ions.B === undefined ? null : (ions.B * molarMassG("B")) / 1000;
  const rows: readonly [string, string, number | null, string, number, number, string][] = [
    ["chloride", "Chloride", ions.Cl ?? null, "mmol/L", 4, 10, "leaf edges burn in sensitive crops"],
    ["boron", "Boron", boron, "mg/L", 0.7, 3, "too much burns leaf tips; none at all must be fed"],
  ];
  return rows.map(([id, name, value, unit, slight, severe, effect]) => ({
    id,
    name,
    value,
    unit,
    class: classOf(value, slight, severe),
    effect: value === null ? "not in the report: ask the laboratory for it" : effect,
    step:
      value === null
        ? null
        : {
            label: name,
            formula: `none under ${slight}, severe over ${severe} ${unit}`,
            substituted: fill`${value}`(),
            value,
            unit,
            source: FAO29,
          },
  }));
}

/**
 * Yield to expect of a crop in soil under a water's salt, against none.
 *
 * @param thresholdMsCm, zeroYieldMsCm EC of the saturated extract at which yield begins to fall and is nothing
 * @returns % of full yield, with its working
 * @see Maas & Hoffman (1977); ECe ≈ 1.5 · ECw at 15 to 20 % leaching, FAO-29. Not for nutrient solutions.
 */
export function relativeYieldPct(
  ecWaterMsCm: number,
  thresholdMsCm: number,
  zeroYieldMsCm: number,
): { readonly pct: number; readonly step: WorkingStep } {
  const extract = 1.5 * ecWaterMsCm;
  const slope = 100 / (zeroYieldMsCm - thresholdMsCm);
  const pct = Math.max(0, Math.min(100, 100 - slope * Math.max(0, extract - thresholdMsCm)));
  return {
    pct,
    step: {
      label: "Relative yield",
      formula: "100 − b · (1.5 · ECw − a)",
      substituted: fill`100 − ${slope} × (1.5 × ${ecWaterMsCm} − ${thresholdMsCm})`(),
      value: pct,
      unit: "%",
      source: "Maas & Hoffman (1977); FAO-29, in soil at 15 to 20 % leaching",
    },
  };
}
