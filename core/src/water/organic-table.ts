import { molarMassG } from "../chemistry/formula.ts";
import { measuredCell } from "../table/cell.ts";
import type { Concept } from "../table/lexicon.ts";
import type { Meaning } from "../table/meaning.ts";
import { conversionOf, type Quantity } from "../table/quantity.ts";
import type { Declaration } from "../table/declaration.ts";
import type { Source } from "../table/read-table.ts";
import { Sheet, type Dialect, type SheetChoices, type SheetTold } from "../table/sheet.ts";
import { dayIn } from "../table/time-text.ts";
import { EC_QUANTITY } from "../table/usual-quantities.ts";
import type { OrganicAnalysis } from "./wastewater.ts";

export interface OrganicReport
  extends SheetTold<Figure | "date">, Pick<Dialect, "decimal" | "decimalAssumed" | "dateOrder" | "dateOrderAssumed"> {
  readonly takenOn: string | null;
  /** what the file tells; half of its limit for what lay below it */
  readonly analysis: Partial<OrganicAnalysis>;
  readonly missing: readonly (keyof OrganicAnalysis)[];
  /** how figures were come by that do not stand in the file as such */
  readonly remarks: readonly string[];
}

type Figure = "density" | "solids" | "organicN" | "nh4N" | "nh4" | "totalN" | "p" | "p2o5" | "k" | "k2o" | "ec";
type Found = keyof OrganicAnalysis | "totalN" | "density";

/** By mass it is taken for water: 1 kg in a litre. */
const BY_VOLUME: Quantity = { units: ["mg/L", "g/L", "kg/m³", "g/kg", "%"], alike: { "mg/kg": 1 } };
const amount = (...named: readonly (readonly Concept[])[]): Meaning => ({
  named,
  beside: ["total", "water", "value", "solids"],
  quantity: BY_VOLUME,
});

const DECLARATION: Declaration<Figure | "date"> = {
  meanings: {
    date: { named: [["date"]], never: ["paper"] },
    solids: { named: [["solids"]], quantity: BY_VOLUME },
    organicN: { ...amount(["N", "organic"]), never: ["ammonium"] },
    nh4N: amount(["ammonium", "N"]),
    nh4: amount(["ammonium"]),
    totalN: { ...amount(["N", "total"]), weakly: [["N"]], never: ["organic", "ammonium", "nitrate"] },
    p2o5: amount(["P2O5"], ["P2O5", "P"]),
    p: amount(["P"], ["phosphate", "P"]),
    k2o: amount(["K2O"], ["K2O", "K"]),
    k: amount(["K"]),
    ec: { named: [["ec"]], quantity: EC_QUANTITY },
    density: { named: [["density"]], quantity: { units: ["kg/L", "g/mL"] } },
  },
  needs: [["solids", "nh4N", "nh4", "organicN", "totalN", "p", "p2o5", "k", "k2o"]],
  identity: ["date"],
  times: { date: "date" },
};

/** What each figure is of the one that is kept. */
const KEPT: Readonly<Record<Figure, readonly [key: Found, share: number]>> = {
  solids: ["suspendedSolidsMgL", 1],
  organicN: ["organicNMgL", 1],
  nh4N: ["nh4NMgL", 1],
  nh4: ["nh4NMgL", molarMassG("N") / molarMassG("NH4")],
  totalN: ["totalN", 1],
  p: ["pMgL", 1],
  p2o5: ["pMgL", (2 * molarMassG("P")) / molarMassG("P2O5")],
  k: ["kMgL", 1],
  k2o: ["kMgL", (2 * molarMassG("K")) / molarMassG("K2O")],
  ec: ["ecMsCm", 1],
  density: ["density", 1],
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
 * Reads a laboratory's analysis of a digestate or reclaimed water, its first sample: an analyte a row or a column. What has no
 * unit that is understood is left out, and said.
 *
 * @throws {DomainError} where there is no table in the file
 */
export function readOrganicTable(source: Source, choices: SheetChoices = {}): OrganicReport {
  const sheet = new Sheet(
    source,
    DECLARATION,
    choices,
    "No analysis was found. The file needs suspended solids, ammonium N, organic or total N, phosphorus, potassium or EC, each with its unit.",
  );
  const { columns, table } = sheet;
  const [sample] = sheet.layout.dataRows;
  const found: Partial<Record<Found, number>> = {};
  const remarks: string[] = [];
  const byMass: [key: Found, header: string][] = [];
  for (const { kind, column, header, unit, unitAssumed, unknownUnit } of columns) {
    if (kind === "ignore" || kind === "date") continue;
    const { quantity } = DECLARATION.meanings[kind];
    const cell = measuredCell(sample?.cells[column - 1] ?? "", table.decimal);
    const [key, share] = KEPT[kind];
    if ((cell.kind !== "number" && cell.kind !== "below") || cell.value === null || !quantity) continue;
    const written = cell.unit || (unitAssumed ? "" : unit);
    const conversion = written === "" ? null : conversionOf(quantity, written);
    if (!conversion) {
      remarks.push(
        `${header} has no unit that is understood (${unknownUnit ?? (cell.unit || "none")}), and is left out.`,
      );
      continue;
    }
    if (found[key] !== undefined) continue;
    found[key] = (cell.below ? cell.value / 2 : cell.value) * conversion.factor * share;
    if (cell.below) remarks.push(`${header} lay below ${cell.raw.replace(/^[<≤]\s*/, "")}: half of that limit counts.`);
    if (/kg$|\/t$|%|100 ?g/.test(written)) byMass.push([key, header]);
  }
  const { totalN, density, ...analysis } = volumed(found, byMass);
  remarks.push(
    ...byMass.map(
      ([, header]) =>
        `${header} is given by mass and taken for ${density === undefined ? "1 kg" : `${density} kg, as the file says,`} in a litre.`,
    ),
  );
  if (analysis.organicNMgL === undefined && totalN !== undefined && analysis.nh4NMgL !== undefined) {
    analysis.organicNMgL = Math.max(0, totalN - analysis.nh4NMgL);
    remarks.push("Organic N is total N less ammonium N.");
  }
  const missing = FIGURES.filter((key) => analysis[key] === undefined);
  const dateText = sample ? sheet.text(sample, "date") : "";
  const { dateOrder, dateOrderAssumed } = sheet.dialect([dateText]);
  const told = sheet.told();
  return {
    ...told,
    // A thousandfold lies between what is usual: no unit is assumed here, it is asked for.
    columns: told.columns.map((column) => (column.unitAssumed ? { ...column, unit: "", unitAssumed: false } : column)),
    ...{ decimal: table.decimal, decimalAssumed: table.decimalAssumed, dateOrder, dateOrderAssumed },
    ...{ takenOn: dayIn(dateText, dateOrder), analysis, missing, remarks },
  };
}

/** What is told by mass, in a litre of the density that the file tells. */
function volumed(
  found: Partial<Record<Found, number>>,
  byMass: readonly (readonly [key: Found, header: string])[],
): Partial<Record<Found, number>> {
  const { density = 1 } = found;
  return { ...found, ...Object.fromEntries(byMass.map(([key]) => [key, (found[key] ?? 0) * density])) };
}
