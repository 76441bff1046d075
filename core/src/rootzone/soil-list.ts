import { molarMassG } from "../chemistry/formula.ts";
import type { Source } from "../table/read-table.ts";
import { readList, type ListChoices, type ListTable } from "../table/list.ts";
import { RowRejected, type ListCells } from "../table/list-cells.ts";
import { headOf } from "../table/head.ts";
import type { Quantity } from "../table/quantity.ts";
import type { Declaration } from "../table/shape.ts";

type SoilColumn =
  | ("zone" | "depth" | "date" | "texture")
  | ("ph" | "ec" | "om" | "cec" | "nmin" | "no3n")
  | ("p2o5" | "p" | "k2o" | "k" | "mgo" | "mg" | "cao" | "ca" | "na");

const MASS: Quantity = { units: ["mg/kg", "mg/100 g", "g/kg", "%"] };
/** Exchangeable, by the charge that a kilogram of soil holds: mg of the element of 1 cmol(+). */
const exchangeable = (element: string, charge: number): Quantity => ({
  ...MASS,
  units: [...MASS.units, "cmol(+)/kg"],
  alike: { "cmol(+)/kg": (10 * molarMassG(element)) / charge, "mmol/kg": molarMassG(element) },
});

/** Where the pH of cropped soil lies; nothing else of a soil test does in tenths. Assumed. */
const SOIL_PH = { least: 4.5, most: 8.6 };

const DECLARATION: Declaration<SoilColumn> = {
  meanings: {
    zone: { named: [["zone"], ["sample", "zone"]], weakly: [["sample"]] },
    depth: { named: [["depth"]], quantity: { units: ["cm", "in", "m", "mm"] } },
    date: { named: [["date"]], never: ["paper"] },
    texture: { named: [["texture"], ["soil", "texture"]] },
    ph: { named: [["ph"], ["ph", "water"], ["ph", "calciumChloride"], ["ph", "KCl"]], lies: SOIL_PH },
    ec: { named: [["ec"]], quantity: { units: ["dS/m", "mS/cm", "µS/cm", "mS/m"] } },
    om: { named: [["organic"]], never: ["N"], quantity: { units: ["%", "g/kg"] } },
    p2o5: { named: [["P2O5"], ["P2O5", "P"]], quantity: MASS },
    k2o: { named: [["K2O"], ["K2O", "K"]], quantity: exchangeable("K", 1) },
    mgo: { named: [["MgO"], ["MgO", "Mg"]], quantity: MASS },
    mg: { named: [["Mg"]], quantity: exchangeable("Mg", 2) },
    nmin: {
      named: [["mineral", "N"], ["mineral"], ["nitrate", "N"]],
      never: ["ammonium"],
      quantity: { units: ["kg/ha", "lb/acre"] },
    },
    no3n: { named: [["nitrate", "N"], ["nitrate"]], never: ["mineral", "ammonium"], quantity: MASS },
    cec: { named: [["exchange"]], quantity: { units: ["cmol(+)/kg", "mmol(+)/kg", "meq/100 g"] } },
    cao: { named: [["CaO"], ["CaO", "Ca"]], quantity: MASS },
    ca: { named: [["Ca"]], never: ["exchange", "calciumChloride"], quantity: exchangeable("Ca", 2) },
    na: { named: [["Na"]], quantity: exchangeable("Na", 1) },
    p: { named: [["P"]], quantity: MASS },
    k: { named: [["K"]], quantity: exchangeable("K", 1) },
  },
  needs: [["zone"], ["date"], ["ph", "ec", "p2o5", "p", "k2o", "k", "nmin"]],
  identity: ["zone", "date", "depth"],
  times: { date: "date" },
};

/** A soil test of one depth; null is not measured, below detection, or set aside. Elements in mg/kg of dry soil. */
export interface SoilTest {
  readonly zone: string;
  readonly depthCm: readonly [number, number] | null;
  readonly takenOn: string;
  readonly texture: string;
  readonly ph: number | null;
  /** of the saturated extract */
  readonly ecSaturatedMsCm: number | null;
  readonly organicMatterPct: number | null;
  readonly pMgKg: number | null;
  readonly kMgKg: number | null;
  readonly mgMgKg: number | null;
  readonly mineralNKgHa: number | null;
  readonly caMgKg: number | null;
  readonly naMgKg: number | null;
  readonly nitrateNMgKg: number | null;
  readonly cecCmolKg: number | null;
  /** in what the pH was measured, where the head of its column says so */
  readonly phIn: "water" | "CaCl2" | "KCl" | null;
  /** as the laboratory wrote it, and the limit in the unit of the field */
  readonly belowDetection: Readonly<Record<string, { readonly text: string; readonly limit: number }>>;
}

type SoilList = ListTable<SoilColumn, SoilTest>;

/**
 * Reads a laboratory's list of soil tests, oxides or elements.
 *
 * @throws {DomainError} when no such list is in the file
 */
export function readSoilList(source: Source, choices: ListChoices): SoilList {
  return readList(source, DECLARATION, choices, {
    what: "No soil tests were found. The file needs a row of headings with a place, a day, and at least one of pH, EC, P, K or mineral N.",
    dateKinds: ["date"],
    judge: (cells) => {
      const belowDetection: Record<string, { text: string; limit: number }> = {};
      const element = (field: string, parts: readonly (readonly [SoilColumn, number])[]): number | null => {
        for (const [kind, share] of parts) {
          if (!cells.has(kind)) continue;
          const { value, below, raw } = cells.cell(kind);
          if (cells.cell(kind).kind === "unreadable") cells.value(kind);
          // "mg P2O5/100 g" under "P": the unit says in what it is counted.
          const counted = shareOf(cells.basis(kind)) ?? share;
          const unit = cells.unit(kind);
          if (value !== null && unit === null) cells.value(kind);
          const amount = value === null ? null : cells.inUnit(kind, value * counted, unit);
          if (below && amount !== null) belowDetection[field] = { text: raw, limit: amount };
          return below ? null : amount;
        }
        return null;
      };
      const test = {
        zone: cells.zone("zone"),
        takenOn: cells.date(),
        depthCm: depth(cells),
        texture: cells.text("texture"),
        ph: cells.within("ph", "ph", 3, 10),
        ecSaturatedMsCm: cells.within("ec", "ecSaturatedMsCm", 0, 20),
        organicMatterPct: cells.within("om", "organicMatterPct", 0, 100),
        pMgKg: element("pMgKg", [
          ["p2o5", elementShare("P2O5", "P", 2)],
          ["p", 1],
        ]),
        kMgKg: element("kMgKg", [
          ["k2o", elementShare("K2O", "K", 2)],
          ["k", 1],
        ]),
        mgMgKg: element("mgMgKg", [
          ["mgo", elementShare("MgO", "Mg", 1)],
          ["mg", 1],
        ]),
        mineralNKgHa: element("mineralNKgHa", [["nmin", 1]]),
        caMgKg: element("caMgKg", [
          ["cao", elementShare("CaO", "Ca", 1)],
          ["ca", 1],
        ]),
        naMgKg: element("naMgKg", [["na", 1]]),
        nitrateNMgKg: element("nitrateNMgKg", [["no3n", 1]]),
        cecCmolKg: element("cecCmolKg", [["cec", 1]]),
        phIn: phIn(cells.header("ph")),
        belowDetection,
      };
      const {
        zone: _zone,
        takenOn: _day,
        depthCm: _depth,
        texture: _texture,
        phIn: _in,
        belowDetection: _below,
        ...figures
      } = test;
      const isTold = Object.values(figures).some((figure) => figure !== null) || Object.keys(belowDetection).length > 0;
      if (!isTold && cells.flags.length === 0) throw new RowRejected("empty", "no figure of a soil test in the row");
      return test;
    },
  });
}

function phIn(header: string): SoilTest["phIn"] {
  const concepts = headOf(header).words.flatMap((word) => word.concepts);
  if (concepts.includes("calciumChloride")) return "CaCl2";
  if (concepts.includes("KCl")) return "KCl";
  return concepts.includes("water") ? "water" : null;
}

/** Share of the element in an oxide that a unit names. */
function shareOf(basis: string | null): number | null {
  switch (basis) {
    case "P2O5":
      return elementShare("P2O5", "P", 2);
    case "K2O":
      return elementShare("K2O", "K", 2);
    case "MgO":
      return elementShare("MgO", "Mg", 1);
    case "CaO":
      return elementShare("CaO", "Ca", 1);
    case "NO3":
      return elementShare("NO3", "N", 1);
    case "P":
    case "K":
    case "Mg":
    case "Ca":
    case "Na":
    case "N":
      return 1;
    default:
      return null;
  }
}

function elementShare(oxide: string, element: string, atoms: number): number {
  return (atoms * molarMassG(element)) / molarMassG(oxide);
}

const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];

/** A span as "0-30"; one that a spreadsheet turned into a date ("20-Oct" for 10-20) is offered, not taken. */
function depth(cells: ListCells<SoilColumn>): [number, number] | null {
  const text = cells.text("depth");
  const factor = cells.inUnit("depth", 1, /(in|")$/i.test(text) ? "in" : cells.columnUnit("depth")) ?? 1;
  const span = /^(\d+(?:[.,]\d+)?)\s*(?:-|–|to)\s*(\d+(?:[.,]\d+)?)\s*(cm|in|")?$/i.exec(text);
  if (span) {
    const [from, to] = [span[1], span[2]].map((end) => Number((end ?? "").replace(",", ".")) * factor);
    return from !== undefined && to !== undefined && from < to ? [from, to] : null;
  }
  const bent = /^\d{4}-(\d{2})-(\d{2})$/.exec(text);
  const dated = /^(\d{1,2})[-. ]([a-z]{3})|^([a-z]{3})[-. ](\d{1,2})$/i.exec(text);
  const month = MONTHS.indexOf((dated?.[2] ?? dated?.[3] ?? "").toLowerCase()) + 1;
  const parts = bent
    ? [Number(bent[1]), Number(bent[2])]
    : dated && month > 0
      ? [Number(dated[1] ?? dated[4]), month]
      : null;
  if (!parts) return null;
  const ends = parts.sort((a, b) => a - b).map((end) => end * factor);
  cells.flags.push({ code: "spreadsheet-date", kind: "depth", raw: text, offer: { depthCm: ends } });
  return null;
}
