import { molarMassG } from "../../chemistry/formula.ts";
import type { Source } from "../../table/read-table.ts";
import { readList, type ListChoices, type ListTable } from "../../table/list.ts";
import { RowRejected, type ListCells } from "../../table/list-cells.ts";
import type { Concept } from "../../table/lexicon.ts";
import type { Meaning } from "../../table/meaning.ts";
import type { Quantity } from "../../table/quantity.ts";
import type { Declaration } from "../../table/declaration.ts";
import { compositionIn } from "./composition-text.ts";
import { LABEL_PARTS, type Label, type LabelPart } from "./label.ts";

/** International avoirdupois pound. */
const KG_OF_POUND = 0.45359237;

type ShelfColumn =
  | "product"
  | "form"
  | "composition"
  | "totalN"
  | LabelPart
  | "bag"
  | "density"
  | "price"
  | "priceKg"
  | "bags"
  | "stockKg";

const PERCENT: Quantity = { units: ["%", "g/kg"] };
const MASS: Quantity = { units: ["kg", "g", "lb", "t"] };
/** In the site's money. */
const each = (of: string): RegExp =>
  new RegExp(`^(?:€|eur|euros?|\\$|usd|£|gbp|chf)?(?:/|per|je|pro|por|par|al)${of}$`);
const PRICE: Quantity = {
  units: ["per kg", "per lb", "per t"],
  scales: [
    { name: "per kg", written: each("kg"), factor: 1 },
    { name: "per lb", written: each("lb"), factor: 1 / KG_OF_POUND },
    { name: "per t", written: each("t(?:onne)?"), factor: 0.001 },
  ],
};
const part = (...named: readonly (readonly Concept[])[]): Meaning => ({
  named,
  never: ["price", "bag", "stock"],
  quantity: PERCENT,
});

const DECLARATION: Declaration<ShelfColumn> = {
  meanings: {
    product: { named: [["product"]], never: ["price"] },
    form: { named: [["form"]] },
    composition: { named: [["composition"]], never: ["price", "number"] },
    bag: {
      named: [["bag"], ["bag", "amount"]],
      never: ["price", "stock", "number", "bags"],
      quantity: MASS,
    },
    density: { named: [["density"]], beside: ["amount"], quantity: { units: ["kg/L", "g/mL"] } },
    price: { named: [["price"], ["price", "bag"]] },
    priceKg: { named: [["price"]], never: ["bag", "bags"], quantity: PRICE, onlyNamed: true },
    bags: {
      named: [
        ["stock"],
        ["bags"],
        ["bags", "stock"],
        ["bag", "stock"],
        ["bag", "number"],
        ["bags", "number"],
        ["number"],
      ],
      weakly: [["bag"]],
      never: ["price"],
    },
    stockKg: { named: [["stock"]], never: ["price", "bag", "bags"], quantity: MASS, onlyNamed: true },
    nitrateN: part(["N", "nitrate"], ["nitrate"]),
    ammoniumN: part(["N", "ammonium"], ["ammonium"]),
    ureaN: part(["N", "urea"], ["urea"]),
    totalN: part(["N", "total"], ["N"]),
    P2O5: part(["P2O5"], ["P2O5", "P"]),
    K2O: part(["K2O"], ["K2O", "K"]),
    CaO: part(["CaO"], ["CaO", "Ca"]),
    MgO: part(["MgO"], ["MgO", "Mg"]),
    SO3: part(["SO3"], ["SO3", "S"]),
    Cl: part(["Cl"]),
    Na: part(["Na"]),
    Fe: part(["Fe"]),
    Mn: part(["Mn"]),
    Zn: part(["Zn"]),
    Cu: part(["Cu"]),
    Mo: part(["Mo"]),
    B: part(["B"]),
    Ca: { ...part(["Ca"]), doubt: "word" },
    Mg: { ...part(["Mg"]), doubt: "word" },
    P: { ...part(["P"]), doubt: "sign" },
    K: { ...part(["K"]), doubt: "sign" },
    S: { ...part(["S"]), doubt: "word" },
  },
  needs: [["product"], ["composition", "totalN", "nitrateN", "P2O5", "P", "K2O", "K", "CaO", "Ca", "Fe"]],
  identity: ["product", "form"],
};

/** A bag on the shelf as a list has it. */
export interface ListedProduct {
  readonly product: string;
  readonly form: string;
  /** mass per cent as the label has it, oxides as oxides */
  readonly label: Label;
  readonly totalNPct: number | null;
  /** mass per cent of the element, N and its forms */
  readonly elementPct: Readonly<Record<string, number>>;
  readonly bagKg: number | null;
  readonly densityKgL: number | null;
  readonly pricePerBag: number | null;
  readonly pricePerKg: number | null;
  readonly bags: number | null;
  readonly inStockKg: number | null;
}

type ShelfList = ListTable<ShelfColumn, ListedProduct>;

/** Forms of nitrogen and their total may differ by the label's rounding. */
const N_ROUNDING_PCT = 0.15;

/**
 * Reads a list of fertilisers by label, with bags in kilograms, pounds or litres, prices and stock.
 *
 * @throws {DomainError} when no such list is in the file
 */
export function readShelfList(source: Source, choices: ListChoices): ShelfList {
  return readList(source, DECLARATION, choices, {
    what: "No shelf was found. The file needs a row of headings with the product and at least one of N, P₂O₅, K₂O, CaO or Fe.",
    dateKinds: [],
    judge: (cells) => {
      const product = cells.text("product");
      if (product === "") throw new RowRejected("no-name", "the row names no product");
      const written = compositionIn(cells.text("composition"), cells.decimal);
      const label = { ...written?.label, ...labelOf(cells) };
      const totalNPct = cells.value("totalN") ?? written?.totalNPct ?? null;
      if (totalNPct === null && Object.keys(label).length === 0)
        throw new RowRejected("no-analysis", "no figure of the label can be read");
      flagLabel(cells, label, totalNPct);
      const densityKgL = cells.cell("density").value;
      const bagKg = bagMass(cells, densityKgL);
      const [pricePerBag, bags] = [cells.cell("price").value, cells.cell("bags").value];
      return {
        product,
        form: cells.text("form"),
        label,
        totalNPct,
        elementPct: elements(label, totalNPct),
        bagKg,
        densityKgL,
        pricePerBag,
        pricePerKg: cells.value("priceKg") ?? (pricePerBag === null || !bagKg ? null : pricePerBag / bagKg),
        bags,
        inStockKg: cells.value("stockKg") ?? (bags === null || bagKg === null ? null : bags * bagKg),
      };
    },
  });
}

const PARTS = Object.keys(LABEL_PARTS) as LabelPart[];

function labelOf(cells: ListCells<ShelfColumn>): Label {
  return Object.fromEntries(
    PARTS.flatMap((name) => {
      const value = cells.value(name);
      return value === null || value === 0 ? [] : [[name, value]];
    }),
  );
}

function flagLabel(cells: ListCells<ShelfColumn>, label: Label, totalN: number | null): void {
  const { nitrateN = 0, ammoniumN = 0, ureaN = 0 } = label;
  const forms = nitrateN + ammoniumN + ureaN;
  if (totalN !== null && forms > 0 && Math.abs(forms - totalN) > N_ROUNDING_PCT)
    cells.flags.push({
      code: "label-does-not-add-up",
      kind: "totalN",
      raw: String(totalN),
      taken: `its forms add up to ${Number(forms.toFixed(3))} %`,
    });
  const rest = PARTS.filter((name) => !name.endsWith("N")).reduce((sum, name) => sum + (label[name] ?? 0), 0);
  const sum = rest + Math.max(totalN ?? 0, forms);
  if (sum > 100) cells.flags.push({ code: "label-over-100", kind: "label", raw: String(Number(sum.toFixed(3))) });
}

function elements(label: Label, totalN: number | null): Record<string, number> {
  const found: Record<string, number> = totalN === null ? {} : { N: totalN };
  for (const name of PARTS) {
    const pct = label[name];
    if (pct === undefined) continue;
    const { formula, atoms } = LABEL_PARTS[name];
    const element = name.endsWith("N") ? name : formula.replace(/\d?O\d?$/, "").replace(/\d$/, "");
    found[element] = (pct * atoms * molarMassG(name.endsWith("N") ? "N" : element)) / molarMassG(formula);
  }
  return found;
}

/** A can in litres weighs its density. */
function bagMass(cells: ListCells<ShelfColumn>, densityKgL: number | null): number | null {
  const { value, unit } = cells.cell("bag");
  if (value === null) return null;
  if (/^(l|ltr|lit(re|er|ro)s?)$/i.test(unit || cells.columnUnit("bag")))
    return densityKgL === null ? null : value * densityKgL;
  return cells.value("bag");
}
