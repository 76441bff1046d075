import { molarMassG } from "../chemistry/formula.ts";
import { DomainError } from "../working/domain-error.ts";
import { readNumber, type DecimalMark } from "../table/number.ts";
import { asTable, type Source } from "../table/read-table.ts";
import { dateOrder, readTime } from "../table/time-text.ts";
import type { OrganicAnalysis } from "./wastewater.ts";

interface OrganicReport {
  readonly takenOn: string | null;
  /** what the file tells; below detection is none */
  readonly analysis: Partial<OrganicAnalysis>;
  readonly missing: readonly (keyof OrganicAnalysis)[];
  /** how figures were come by that do not stand in the file as such */
  readonly remarks: readonly string[];
}

type Found = keyof OrganicAnalysis | "totalN";

/** Labels as laboratories write them, with what one unit of the label is of the figure kept. */
const RULES: readonly (readonly [key: Found, label: RegExp, share: number])[] = [
  ["suspendedSolidsMgL", /suspended|\btss\b|filterable/i, 1],
  ["organicNMgL", /organic (n\b|nitrogen)|\bn[- ]?org|\borg[- .]*n\b/i, 1],
  ["nh4NMgL", /nh4[- ]?n\b|ammoni(um|a|acal)?[- ]*n\b|ammoni\w* nitrogen/i, 1],
  ["nh4NMgL", /\bnh4|ammonium/i, molarMassG("N") / molarMassG("NH4")],
  ["totalN", /total (n\b|nitrogen)|kjeldahl|\btkn\b|\bn[- ]?tot/i, 1],
  ["pMgL", /p2o5/i, (2 * molarMassG("P")) / molarMassG("P2O5")],
  ["pMgL", /phosphorus|\bp\b/i, 1],
  ["kMgL", /k2o/i, (2 * molarMassG("K")) / molarMassG("K2O")],
  ["kMgL", /potassium|\bk\b/i, 1],
  ["ecMsCm", /\bec\b|conductiv/i, 1],
];

/** mg/L (or mS/cm) of one unit. By mass it is taken for water: 1 kg in a litre. */
const UNITS: Readonly<Record<string, number>> = {
  "mg/l": 1,
  ppm: 1,
  "g/l": 1000,
  "kg/m3": 1000,
  "kg/m³": 1000,
  "g/kg": 1000,
  "kg/t": 1000,
  "mg/kg": 1,
  "%": 10_000,
};
const EC_UNITS: Readonly<Record<string, number>> = {
  "ms/cm": 1,
  "ds/m": 1,
  "µs/cm": 0.001,
  "us/cm": 0.001,
  "ms/m": 0.01,
};

const FIGURES: readonly (keyof OrganicAnalysis)[] = [
  "suspendedSolidsMgL",
  "nh4NMgL",
  "organicNMgL",
  "pMgL",
  "kMgL",
  "ecMsCm",
];

/**
 * Reads a laboratory's analysis of a digestate or reclaimed water: an analyte a row, or one sample under a header.
 *
 * @throws {DomainError} when fewer than two of its figures are in the file
 */
export function readOrganicTable(source: Source): OrganicReport {
  const { records, decimal } = asTable(source);
  const found: Partial<Record<Found, number>> = {};
  const remarks: string[] = [];
  const take = (label: string, text: string, unit: string): void => {
    const measured = measure(label, text, unit, decimal);
    if (!measured || found[measured.key] !== undefined) return;
    found[measured.key] = measured.value;
    if (/\/(kg|t)\b|%/.test(unit)) remarks.push(`${label} is given by mass and taken for 1 kg in a litre.`);
  };
  for (const { cells } of records) {
    const [label = "", text = "", unit = ""] = cells;
    take(label, text, unit || unitIn(label));
  }
  const headerAt = records.findIndex(({ cells }) => cells.filter((cell) => ruleOf(cell)).length >= 2);
  if (headerAt >= 0) {
    const header = records[headerAt]?.cells ?? [];
    const [next, after] = [records[headerAt + 1]?.cells ?? [], records[headerAt + 2]?.cells ?? []];
    const hasUnits = next.some((cell) => cell.toLowerCase() in UNITS);
    header.forEach((label, at) =>
      take(label, (hasUnits ? after : next)[at] ?? "", hasUnits ? (next[at] ?? "") : unitIn(label)),
    );
  }
  const { totalN, ...analysis } = found;
  if (analysis.organicNMgL === undefined && totalN !== undefined && analysis.nh4NMgL !== undefined) {
    analysis.organicNMgL = Math.max(0, totalN - analysis.nh4NMgL);
    remarks.push("Organic N is total N less ammonium N.");
  }
  const missing = FIGURES.filter((key) => analysis[key] === undefined);
  if (missing.length > FIGURES.length - 2)
    throw new DomainError({
      code: "not-possible",
      path: "file",
      message:
        "No analysis was found. The file needs at least two of suspended solids, ammonium N, organic or total N, phosphorus, potassium and EC, each with its unit.",
    });
  return { takenOn: dateIn(records.flatMap(({ cells }) => cells)), analysis, missing, remarks };
}

function ruleOf(label: string): (typeof RULES)[number] | undefined {
  return RULES.find(([, pattern]) => pattern.test(label));
}

function unitIn(label: string): string {
  return /[([]([^)\]]*)[)\]]/.exec(label)?.[1] ?? "";
}

function measure(
  label: string,
  text: string,
  unit: string,
  decimal: DecimalMark,
): { readonly key: Found; readonly value: number } | null {
  const rule = ruleOf(label);
  const value = /^\s*</.test(text) ? 0 : readNumber(text, decimal);
  if (!rule || value === null) return null;
  const [key, , share] = rule;
  const factor = (key === "ecMsCm" ? EC_UNITS : UNITS)[unit.replace(/\s/g, "").toLowerCase()];
  return factor === undefined ? null : { key, value: value * factor * share };
}

function dateIn(cells: readonly string[]): string | null {
  const order = dateOrder(cells);
  for (const cell of cells) {
    const reading = readTime(cell, order === "ambiguous" ? "dmy" : order);
    if (reading.status !== "clock") continue;
    const { year, month, day } = reading.time;
    return `${year}-${String(month).padStart(2, "0")}-${String(day).padStart(2, "0")}`;
  }
  return null;
}
