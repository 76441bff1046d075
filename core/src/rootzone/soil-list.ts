import { molarMassG } from "../chemistry/formula.ts";
import type { Source } from "../table/read-table.ts";
import { readList, type ListChoices, type ListTable } from "../table/list.ts";
import { RowRejected, type ListCells } from "../table/list-cells.ts";
import { headOf } from "../table/head.ts";
import type { Quantity } from "../table/quantity.ts";
import type { Declaration } from "../table/declaration.ts";
import { unitsIn } from "../table/unit-text.ts";

type SoilColumn =
  | ("zone" | "depth" | "date" | "texture")
  | ("ph" | "ec" | "om" | "cec" | "nmin" | "nminContent" | "no3n")
  | ("p2o5" | "p" | "k2o" | "k" | "mgo" | "mg" | "cao" | "ca" | "na");

/**
 * Mass of a hectare's soil, t in each cm of depth. Assumed: US laboratories count two million pounds in an acre's plough layer of
 * 6⅔ inches, which is 1.32 kg/L; soils lie between 1.1 and 1.6.
 */
const SOIL_KG_L = 1.32;
const LAYER_T_HA_CM = 100 * SOIL_KG_L;

/** Contents of soil; by area they hold for a layer of 1 cm, and each row's depth tells how many there are. */
const MASS: Quantity = {
  units: ["mg/kg", "mg/100 g", "g/kg", "%", "kg/ha", "lb/acre"],
  alike: { "kg/ha": 1000 / LAYER_T_HA_CM },
};
const BY_AREA = unitsIn("kg/ha")[0]?.dimension;
function isByArea(unit: string | null): boolean {
  return unit !== null && unitsIn(unit).some(({ dimension }) => dimension === BY_AREA);
}

/** Exchangeable, by the charge that a kilogram of soil holds: mg of the element of 1 cmol(+). */
const exchangeable = (element: string, charge: number): Quantity => ({
  ...MASS,
  units: [...MASS.units, "cmol(+)/kg"],
  alike: { ...MASS.alike, "cmol(+)/kg": (10 * molarMassG(element)) / charge, "mmol/kg": molarMassG(element) },
});

/** Where the pH of cropped soil lies; nothing else of a soil test does in tenths. Assumed. */
const SOIL_PH = { least: 4.5, most: 8.6 };

const DECLARATION: Declaration<SoilColumn> = {
  meanings: {
    zone: { named: [["zone"], ["sample", "zone"]], weakly: [["sample"], ["product"]] },
    depth: { named: [["depth"]], quantity: { units: ["cm", "in", "m", "mm"] }, once: true },
    date: { named: [["date"]], never: ["paper"] },
    texture: { named: [["texture"], ["soil", "texture"]] },
    ph: { named: [["ph"], ["ph", "water"], ["ph", "calciumChloride"], ["ph", "KCl"]], lies: SOIL_PH },
    ec: { named: [["ec"]], quantity: { units: ["dS/m", "mS/cm", "µS/cm", "mS/m"] } },
    om: { named: [["organic"]], never: ["N"], quantity: { units: ["%", "g/kg"] } },
    p2o5: { named: [["P2O5"], ["P2O5", "P"]], quantity: MASS },
    k2o: { named: [["K2O"], ["K2O", "K"]], quantity: exchangeable("K", 1) },
    mgo: { named: [["MgO"], ["MgO", "Mg"]], quantity: MASS },
    mg: { named: [["Mg"]], quantity: exchangeable("Mg", 2), doubt: "word" },
    nmin: {
      named: [["mineral", "N"], ["mineral"], ["nitrate", "N"]],
      never: ["ammonium"],
      quantity: { units: ["kg/ha", "lb/acre"] },
    },
    nminContent: { named: [["mineral", "N"], ["mineral"]], never: ["ammonium"], quantity: MASS },
    no3n: {
      named: [["nitrate", "N"], ["nitrate"]],
      never: ["mineral", "ammonium"],
      quantity: { units: ["mg/kg", "mg/100 g", "g/kg", "%"] },
    },
    cec: { named: [["exchange"]], quantity: { units: ["cmol(+)/kg", "mmol(+)/kg", "meq/100 g"] } },
    cao: { named: [["CaO"], ["CaO", "Ca"]], quantity: MASS },
    ca: { named: [["Ca"]], never: ["exchange", "calciumChloride"], quantity: exchangeable("Ca", 2), doubt: "word" },
    na: { named: [["Na"]], quantity: exchangeable("Na", 1) },
    p: { named: [["P"]], quantity: MASS, doubt: "word" },
    k: { named: [["K"]], quantity: exchangeable("K", 1), doubt: "word" },
  },
  needs: [["zone"], ["date"], ["ph", "ec", "p2o5", "p", "k2o", "k", "nmin", "nminContent"]],
  spread: { by: ["depth"], written: { depth: /\d+\s?[-–]\s?\d+(?:\s?(?:cm|in))?(?![\d.])/ } },
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
  /** by field, with what a laboratory took it out of the soil or found it, where the file says so */
  readonly methods: Readonly<Record<string, string>>;
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
    judge: (cells, { rows }) => {
      const [zone, takenOn] = [cells.zone("zone"), cells.date()];
      const above = rows
        .filter(({ values }) => values.zone === zone && values.takenOn === takenOn)
        .map(({ values }) => values.depthCm);
      const depthCm = depth(cells, above);
      const found = new Figures(cells, depthCm);
      const figures = {
        ph: cells.within("ph", "ph", 3, 10),
        ecSaturatedMsCm: cells.within("ec", "ecSaturatedMsCm", 0, 20),
        organicMatterPct: cells.within("om", "organicMatterPct", 0, 100),
        pMgKg: found.amount("pMgKg", { p2o5: elementShare("P2O5", "P", 2), p: 1 }),
        kMgKg: found.amount("kMgKg", { k2o: elementShare("K2O", "K", 2), k: 1 }),
        mgMgKg: found.amount("mgMgKg", { mgo: elementShare("MgO", "Mg", 1), mg: 1 }),
        mineralNKgHa: cells.has("nminContent")
          ? found.byArea("mineralNKgHa", "nminContent")
          : found.amount("mineralNKgHa", { nmin: 1 }),
        caMgKg: found.amount("caMgKg", { cao: elementShare("CaO", "Ca", 1), ca: 1 }),
        naMgKg: found.amount("naMgKg", { na: 1 }),
        nitrateNMgKg: found.amount("nitrateNMgKg", { no3n: 1 }),
        cecCmolKg: found.amount("cecCmolKg", { cec: 1 }),
      };
      const { belowDetection } = found;
      const isTold = Object.values(figures).some((figure) => figure !== null) || Object.keys(belowDetection).length > 0;
      if (!isTold && cells.flags.length === 0) throw new RowRejected("empty", "no figure of a soil test in the row");
      const methods = {
        ...found.methods,
        ...methodOf(cells, "ph", "ph"),
        ...methodOf(cells, "om", "organicMatterPct"),
      };
      return {
        ...{ zone, takenOn, depthCm, texture: cells.text("texture") },
        ...{ ...figures, phIn: phIn(`${cells.header("ph")} ${cells.method("ph")}`), belowDetection, methods },
      };
    },
  });
}

function methodOf(cells: ListCells<SoilColumn>, kind: SoilColumn, field: string): Record<string, string> {
  const method = cells.method(kind);
  return method === "" ? {} : { [field]: method };
}

/** The contents of a row, each by the column that tells it. */
class Figures {
  readonly belowDetection: Record<string, { text: string; limit: number }> = {};
  readonly methods: Record<string, string> = {};

  constructor(
    private readonly cells: ListCells<SoilColumn>,
    private readonly depthCm: readonly [number, number] | null,
  ) {}

  /** @param shares by column that may tell it, how much of the field is in one of it; the first that the table has counts */
  amount(field: string, shares: Readonly<Partial<Record<SoilColumn, number>>>): number | null {
    const { cells } = this;
    const kind = (Object.keys(shares) as SoilColumn[]).find((one) => cells.has(one));
    if (kind === undefined) return null;
    const isLayer = kind !== "nmin" && isByArea(cells.unit(kind));
    const thickCm = isLayer ? this.thicknessCm(kind) : 1;
    if (thickCm === null) return null;
    // "mg P2O5/100 g" under "P": the unit says in what it is counted.
    const share = (shareOf(cells.basis(kind)) ?? shares[kind] ?? 1) / thickCm;
    const amount = this.found(field, kind, share);
    if (isLayer && amount !== null) this.bySoil(kind, thickCm);
    return amount;
  }

  /** kg/ha of a content of the soil. */
  byArea(field: string, kind: SoilColumn): number | null {
    const { cells } = this;
    if (isByArea(cells.unit(kind))) return this.found(field, kind, LAYER_T_HA_CM / 1000);
    const thickCm = this.thicknessCm(kind);
    if (thickCm === null) return null;
    const amount = this.found(field, kind, (thickCm * LAYER_T_HA_CM) / 1000);
    if (amount !== null) this.bySoil(kind, thickCm);
    return amount;
  }

  private found(field: string, kind: SoilColumn, share: number): number | null {
    const { cells } = this;
    const { value, below, raw } = cells.cell(kind);
    Object.assign(this.methods, methodOf(cells, kind, field));
    if (!below) return cells.value(kind, field, share);
    const limit = value === null ? null : cells.inUnit(kind, value * share, cells.unit(kind));
    if (limit !== null) this.belowDetection[field] = { text: raw, limit };
    return null;
  }

  /** Between area and mass stands how thick the layer is; where that is not told the figure waits. */
  private thicknessCm(kind: SoilColumn): number | null {
    const { cells, depthCm } = this;
    if (depthCm) return depthCm[1] - depthCm[0];
    if (cells.cell(kind).value !== null) cells.setAside(kind, "depth-needed");
    return null;
  }

  private bySoil(kind: SoilColumn, thickCm: number): void {
    const { cells } = this;
    const taken = `${thickCm} cm of soil at ${SOIL_KG_L} kg/L (assumed)`;
    cells.flags.push({ code: "by-depth", kind, raw: cells.text(kind), taken });
  }
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

/**
 * A span as "0-30". A single end reaches down from the layer above it, or from the surface. One that a spreadsheet turned into a
 * date ("20-Oct" for 10-20) is offered, not taken.
 */
function depth(
  cells: ListCells<SoilColumn>,
  above: readonly (readonly [number, number] | null)[],
): [number, number] | null {
  const text = cells.text("depth");
  const factor =
    cells.inUnit("depth", 1, UNIT_AT_END.exec(text)?.[1]?.replace(/"|inch(es)?/i, "in") ?? cells.columnUnit("depth")) ??
    1;
  const ends = [...text.matchAll(/\d+(?:[.,]\d+)?/g)].map(([end]) => Number(end.replace(",", ".")) * factor);
  const [from = NaN, to = NaN] = ends;
  if (SPAN.test(text)) return from < to ? [from, to] : null;
  if (/^\d+(?:[.,]\d+)?\s*[a-z"]*$/i.test(text) && from > 0) {
    const top = Math.max(0, ...above.flatMap((span) => (span && span[1] < from ? [span[1]] : [])));
    cells.flags.push({ code: "depth-from-end", kind: "depth", raw: text, taken: `from ${top} to ${from} cm` });
    return [top, from];
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
  const span = parts.sort((a, b) => a - b).map((end) => end * factor);
  cells.flags.push({ code: "spreadsheet-date", kind: "depth", raw: text, offer: { depthCm: span } });
  return null;
}

const UNIT_AT_END = /(cm|mm|m|in|inch|inches|")\.?$/i;
const SPAN =
  /^\d+(?:[.,]\d+)?\s*(?:cm|mm|m|in|")?\s*(?:-|–|—|to|bis|a|à|tot|\/)\s*\d+(?:[.,]\d+)?\s*(?:cm|mm|m|in|inch|inches|")?\.?$/i;
