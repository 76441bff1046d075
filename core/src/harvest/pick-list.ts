import type { Source } from "../table/read-table.ts";
import { readList, type ListChoices, type ListRow, type ListTable } from "../table/list.ts";
import { RowRejected } from "../table/list-cells.ts";
import type { Declaration } from "../table/declaration.ts";
import { conversionOf } from "../table/quantity.ts";
import { matchZone } from "../table/zone-name.ts";
import { readNumber } from "../table/number.ts";

type PickColumn = "date" | "zone" | "grade" | "amount" | "crates" | "count" | "brix";

/** Counted by what they hold. */
const CRATE =
  "(?:cr(?:ate)?s?|box(?:es)?|bins?|trays?|flats?|punnets?|cartons?|lugs?|kisten?|steigen?|caisses?|cagettes?|cajas?|cassett[ae]|caixas?|kratt?en)";
const CRATES = "crates";
/** A crate is as much as one of its zone holds. */
const IN_CRATES = { name: CRATES, written: new RegExp(`^${CRATE}\\.?$`), factor: 1 };

/** A day with its year, as it heads a column. */
const DAY = /^(?:\p{L}{2,4}[.,]?\s+)?(?:\d{1,2}[./-]\d{1,2}[./-](?:\d{4}|\d{2})|\d{4}-\d{2}-\d{2})$/u;

const DECLARATION: Declaration<PickColumn> = {
  meanings: {
    date: { named: [["date"]], never: ["paper"], beside: ["amount"] },
    zone: { named: [["zone"]] },
    grade: { named: [["grade"]] },
    brix: {
      named: [["brix"]],
      quantity: { units: ["%"], scales: [{ name: "%", written: /^(°?brix|°bx|bx|°)$/, factor: 1 }] },
    },
    amount: {
      named: [["amount"]],
      weakly: [["crate"]],
      never: ["price", "number"],
      beside: ["total"],
      quantity: { units: ["kg", "lb", "g", "t", "cwt"], scales: [IN_CRATES] },
    },
    crates: { named: [["crate"]], never: ["price"], quantity: { units: [CRATES], scales: [IN_CRATES] } },
    count: { named: [["number"]], never: ["price"] },
  },
  needs: [["date"], ["amount", "crates"]],
  identity: ["zone", "grade"],
  times: { date: "date" },
  spread: { by: ["zone", "grade", "date"], written: { date: DAY }, main: "Amount" },
};

export interface NotedPick {
  readonly pickedOn: string;
  readonly zone: string;
  readonly grade: string;
  /** null when set aside */
  readonly massKg: number | null;
  readonly fruitCount: number | null;
  readonly brixPct: number | null;
}

interface PickListChoices extends ListChoices {
  /** kg net of one crate, by zone */
  readonly crateKg?: Readonly<Record<string, number>> | undefined;
}

type PickList = ListTable<PickColumn, NotedPick>;

const BRIX_MOST = 35;
/** A fruit so many times the usual one of its zone and grade is a lost decimal mark. */
const SLIP = 5;
/** From so few picks no usual fruit is known. */
const LEAST_PICKS = 3;

/**
 * Reads a log of picks; amounts in crates count by the weight of a crate, chosen or told in the text on top.
 *
 * @throws {DomainError} when no such list is in the file
 */
export function readPickList(source: Source, choices: PickListChoices): PickList {
  return readList(source, DECLARATION, choices, {
    what: "No picks were found. The file needs a row of headings with a day, a zone and kilograms.",
    dateKinds: ["date"],
    judge: (cells, { layout, rows }) => {
      const [pickedOn, zone] = [cells.date(), cells.zone("zone")];
      const kind = cells.has("amount") ? "amount" : "crates";
      const amount = cells.cell(kind);
      const isCrates = cells.unit(kind) === CRATES;
      const crate = isCrates ? crateOf(zone, [...layout.preamble, cells.header(kind)], choices) : 1;
      if (crate === undefined) throw new RowRejected("crate-weight", zone);
      const massKg = cells.value(kind, "massKg", crate);
      // A range, or two figures, is asked about; the row stays.
      const isAsked = amount.value === null && amount.kind !== "empty" && amount.kind !== "unreadable";
      if (!isAsked && (massKg === null || massKg <= 0))
        throw new RowRejected("no-amount", amount.raw || "neither kg nor crates");
      const grade = cells.text("grade");
      const known = rows.find(({ values }) => values.grade.toLowerCase() === grade.toLowerCase());
      return {
        pickedOn,
        zone,
        grade: known?.values.grade ?? grade,
        massKg,
        fruitCount: cells.value("count"),
        brixPct: cells.within("brix", "brixPct", 0, BRIX_MOST),
      };
    },
    review: (rows) => {
      const usual = usualFruit(rows);
      return rows.map((row) => slipSetAside(row, usual.get(keyOf(row.values))));
    },
  });
}

function keyOf({ zone, grade }: NotedPick): string {
  return JSON.stringify([zone, grade]);
}

/** kg of the median fruit, by zone and grade. */
function usualFruit(rows: readonly ListRow<NotedPick>[]): Map<string, number> {
  const fruits = new Map<string, number[]>();
  for (const { values } of rows) {
    if (values.massKg === null || !values.fruitCount) continue;
    const of = fruits.get(keyOf(values)) ?? [];
    fruits.set(keyOf(values), of);
    of.push(values.massKg / values.fruitCount);
  }
  return new Map(
    [...fruits]
      .filter(([, of]) => of.length >= LEAST_PICKS)
      .map(([key, of]) => [key, of.sort((a, b) => a - b)[Math.floor(of.length / 2)] ?? NaN]),
  );
}

function slipSetAside(row: ListRow<NotedPick>, usualKg: number | undefined): ListRow<NotedPick> {
  const { massKg, fruitCount } = row.values;
  if (massKg === null || !fruitCount || usualKg === undefined) return row;
  const ratio = massKg / fruitCount / usualKg;
  if (ratio <= SLIP && ratio >= 1 / SLIP) return row;
  const mended = massKg / 10 ** Math.round(Math.log10(ratio));
  return {
    ...row,
    values: { ...row.values, massKg: null },
    flags: [...row.flags, { code: "scale-slip", kind: "mass", raw: String(massKg), offer: { massKg: mended } }],
  };
}

/** What a crate of a zone weighs, kg: as somebody said, as the text on top says of it, or of all crates. */
function crateOf(zone: string, texts: readonly string[], { zones, crateKg }: PickListChoices): number | undefined {
  const text = texts.join(" ");
  return crateKg?.[zone] ?? cratesIn(text, zones)[zone] ?? crateIn(text);
}

const WEIGHT = String.raw`(\d[\d.,]*)\s*(kg|lbs?|g)\b`;

/** "Crate = 6 kg", "Cartons (25 lb)", "10 kg crates" */
function crateIn(text: string): number | undefined {
  const found =
    new RegExp(`\\b${CRATE}\\b[^\\p{L}\\d]*(?:of|je|zu|à|de|da|di|net)?[^\\p{L}\\d]*${WEIGHT}`, "iu").exec(text) ??
    new RegExp(`${WEIGHT}[\\s-]*${CRATE}\\b`, "iu").exec(text);
  return found ? weightKg(found[1] ?? "", found[2] ?? "") : undefined;
}

/** "One crate: melons 9,5 kg net" in the text on top: the zone is the one whose name begins like that. */
function cratesIn(text: string, zones: readonly string[]): Record<string, number> {
  const found: Record<string, number> = {};
  for (const [, name = "", weight = "", unit = ""] of text.matchAll(new RegExp(`(\\p{L}+)\\s+${WEIGHT}`, "giu"))) {
    const zone = zones.find((candidate) => {
      const [first = ""] = candidate.split(/[\s_-]/);
      return matchZone(name, [first]).status !== "unknown";
    });
    const kg = weightKg(weight, unit);
    if (zone !== undefined && kg !== undefined) found[zone] = kg;
  }
  return found;
}

function weightKg(text: string, unit: string): number | undefined {
  const figure = readNumber(text, text.includes(",") ? "," : ".");
  const { factor } = conversionOf({ units: ["kg"] }, unit) ?? {};
  return figure === null || factor === undefined ? undefined : figure * factor;
}
