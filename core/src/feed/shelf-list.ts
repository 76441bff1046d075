import { molarMassG } from "../chemistry/formula.ts";
import { readList, RowRejected, type ListCells, type ListChoices, type ListTable } from "../table/list.ts";
import type { ListRules } from "../table/list-layout.ts";
import { LABEL_PARTS, type Label, type LabelPart } from "./label.ts";

type ShelfColumn = "product" | "form" | "totalN" | LabelPart | "bag" | "density" | "price" | "bags";

const PERCENT = { "%": { written: /^(%|pct|percent)$/, factor: 1 } };
const part = (header: RegExp) => ({ header, units: PERCENT });

const RULES: ListRules<ShelfColumn> = {
  columns: {
    product: { header: /product|name|fertili[sz]er|salt/i },
    form: { header: /^form\b/i },
    bag: {
      header: /(kg|lb|g|l|litres?) (per|a) (bag|sack|can|pack)|bag size|pack size|^bag$/i,
      units: {
        kg: { written: /^(kg|kilos?)$/, factor: 1 },
        g: { written: /^g$/, factor: 0.001 },
        lb: { written: /^(lbs?|pounds?)$/, factor: 0.45359237 },
        t: { written: /^t$/, factor: 1000 },
      },
    },
    density: { header: /density|kg per (l|litre|liter)\b|kg\/l/i },
    price: { header: /price|cost/i },
    bags: { header: /bags? (left|in stock)|stock|left|count/i },
    nitrateN: part(/nitrate|no3/i),
    ammoniumN: part(/ammoni|nh4/i),
    ureaN: part(/urea|amid/i),
    totalN: part(/total n\b|^n\b|nitrogen/i),
    P2O5: part(/p2o5|p₂o₅/i),
    K2O: part(/k2o|k₂o/i),
    CaO: part(/cao\b/i),
    MgO: part(/mgo\b/i),
    SO3: part(/so3|so₃/i),
    Cl: part(/^cl\b|chlor/i),
    Na: part(/^na\b|sodium/i),
    Fe: part(/^fe\b|iron/i),
    Mn: part(/^mn\b|mangan/i),
    Zn: part(/^zn\b|zinc/i),
    Cu: part(/^cu\b|copper/i),
    Mo: part(/^mo\b|molyb/i),
    B: part(/^b\b|boron/i),
    Ca: part(/^ca\b|calcium/i),
    Mg: part(/^mg\b|magnesium/i),
    P: part(/^p\b|phosph/i),
    K: part(/^k\b|potass/i),
    S: part(/^s\b|sul(ph|f)ur/i),
  },
  needs: [["product"], ["totalN", "nitrateN", "P2O5", "P", "K2O", "K", "CaO", "Ca", "Fe"]],
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
export function readShelfList(bytes: Uint8Array, choices: ListChoices): ShelfList {
  return readList(bytes, RULES, choices, {
    what: "No shelf was found. The file needs a row of headings with the product and at least one of N, P₂O₅, K₂O, CaO or Fe.",
    dateKinds: [],
    judge: (cells) => {
      const product = cells.text("product");
      if (product === "") throw new RowRejected("no-name", "the row names no product");
      const label = labelOf(cells);
      const totalNPct = cells.value("totalN");
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
        pricePerKg: pricePerBag === null || !bagKg ? null : pricePerBag / bagKg,
        bags,
        inStockKg: bags === null || bagKg === null ? null : bags * bagKg,
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
  if (/^l(it(re|er)s?)?$/i.test(unit)) return densityKgL === null ? null : value * densityKgL;
  return cells.value("bag");
}
