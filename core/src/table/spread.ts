import type { Declaration } from "./declaration.ts";
import { headOf } from "./head.ts";
import { HEADER_WITHIN, isFigure, isUnitRow, mayHead, SURE_ENOUGH } from "./header-row.ts";
import type { Concept } from "./lexicon.ts";
import { guessMeanings } from "./meaning.ts";
import { conversionOf } from "./quantity.ts";
import type { TableRecord } from "./read-table.ts";
import { saysTotal } from "./row-kinds.ts";

/** What a head names, and what it says beside: "House 1" and "EC" of "House 1 EC". */
interface NamedHead {
  readonly name: string;
  readonly rest: string;
}

/**
 * Records of a table that has a column for each zone, or for each grade: put below each other, a record for each of them. Other
 * tables stay as they are.
 *
 * @param names by meaning, what it may be named: the site's zones
 */
export function spreadBelow<K extends string>(
  records: readonly TableRecord[],
  declaration: Declaration<K>,
  names?: Readonly<Partial<Record<K, readonly string[]>>>,
): readonly TableRecord[] {
  return (declaration.spread?.by ?? []).reduce((so, kind) => {
    const [concept] = declaration.meanings[kind].named[0] ?? [];
    const [ofSite, written] = [names?.[kind], declaration.spread?.written?.[kind]];
    const nameIn = ofSite
      ? namesOfSite(ofSite)
      : (head: string): NamedHead | null =>
          written
            ? nameAsWritten(head, written, declaration.meanings[kind].quantity !== undefined)
            : concept
              ? nameByWord(head, concept, declaration)
              : null;
    const found = spreadBy(so, nameIn, ofSite ? "site" : written ? "written" : "word", declaration);
    return found ? put(so, found, kind, declaration) : so;
  }, records);
}

interface Found {
  /** rows of the head */
  readonly from: number;
  readonly to: number;
  readonly heads: readonly string[];
  readonly units: readonly string[];
  readonly columns: ReadonlyMap<number, NamedHead>;
}

function spreadBy<K extends string>(
  records: readonly TableRecord[],
  nameIn: (head: string) => NamedHead | null,
  known: "site" | "written" | "word",
  declaration: Declaration<K>,
): Found | null {
  const from = records
    .slice(0, HEADER_WITHIN)
    .findIndex(({ cells }) => new Set(cells.flatMap((cell) => nameIn(cell)?.name ?? [])).size > 1);
  const top = records[from]?.cells;
  if (!top) return null;
  const next = records[from + 1]?.cells ?? [];
  // The names may stand over heads of their own, each over several.
  const isGrouped = mayHead(next) && !isUnitRow(next) && !next.some((cell) => nameIn(cell));
  const to = isGrouped ? from + 1 : from;
  let group: NamedHead | null = null;
  const named = top.map((head, at): NamedHead | null => {
    group = nameIn(head) ?? (isGrouped && head === "" ? group : null);
    return group && isGrouped ? { name: group.name, rest: `${group.rest} ${next[at] ?? ""}`.trim() } : group;
  });
  const heads = isGrouped ? top.map((head, at) => next[at] || head) : top;
  const below = records[to + 1]?.cells ?? [];
  const units = isUnitRow(below) ? below : [];
  const columns = new Map(named.flatMap((one, at) => (one ? [[at, one] as const] : [])));
  // Beside its grades a table tells what was not fit for any: "Waste (kg)".
  if (known === "word")
    heads.forEach((head, at) => {
      const beside = columns.has(at) ? null : besides(head, declaration);
      if (beside) columns.set(at, beside);
    });
  const last = units.length > 0 ? to + 1 : to;
  const seen = records
    .slice(last + 1, last + 21)
    .flatMap(({ cells }) => [...columns.keys()].map((at) => cells[at] ?? ""));
  const filled = seen.filter((cell) => cell !== "");
  const areFigures = filled.filter(isFigure).length * 2 > filled.length;
  if (!areFigures) return null;
  // Beside columns that are but names one that nothing is known of, with figures in it, may be another place: it is asked for.
  if (known === "site" && [...columns.values()].every(({ rest }) => rest === ""))
    heads.forEach((head, at) => {
      const below = records.slice(last + 1, last + 21).map(({ cells }) => cells[at] ?? "");
      const isOpen = head !== "" && !columns.has(at) && !saysTotal(head) && below.some(isFigure);
      if (isOpen && !guessMeanings([headOf(head)], declaration.meanings)[0]) columns.set(at, { name: head, rest: "" });
    });
  return { from, to: last, heads, units, columns };
}

function put<K extends string>(
  records: readonly TableRecord[],
  { from, to, heads, units, columns }: Found,
  kind: K,
  declaration: Declaration<K>,
): readonly TableRecord[] {
  const others = heads.map((_, at) => at).filter((at) => !columns.has(at));
  const said = [...columns].map(([at, { name, rest }]) => ({ at, name, rest: withUnit(rest, units[at] ?? "") }));
  const rests = [...new Set(said.map(({ rest }) => rest))];
  const names = [...new Set(said.map(({ name }) => name))];
  const otherHead = (at: number): string => {
    const head = withUnit(heads[at] ?? "", units[at] ?? "");
    // A sum over all of them is of none.
    return saysTotal(head) ? (apart(head, declaration)?.name ?? head) : head;
  };
  const title = titleAbove(records.slice(0, from), declaration);
  const head: TableRecord = {
    line: records[from]?.line ?? 0,
    cells: [
      `${kind.slice(0, 1).toUpperCase()}${kind.slice(1)}`,
      ...rests.map((rest) => valueHead(rest, title, declaration)),
      ...others.map(otherHead),
    ],
  };
  const below = records.slice(to + 1).flatMap(({ line, cells }): TableRecord[] => {
    const beside = others.map((at) => cells[at] ?? "");
    const rows = names.map((name) => ({
      name,
      values: rests.map((rest) => cells[said.find((one) => one.name === name && one.rest === rest)?.at ?? -1] ?? ""),
    }));
    const told = rows.filter(({ values }) => values.some((value) => value !== ""));
    return told.length === 0 || beside.some(saysTotal)
      ? [{ line, cells: ["", ...rests.map(() => ""), ...beside] }]
      : told.map(({ name, values }) => ({ line, cells: [name, ...values, ...beside] }));
  });
  return [...records.slice(0, from), head, ...below];
}

const withUnit = (head: string, unit: string): string => (unit === "" ? head : `${head} (${unit})`.trim());

/** What a value's column is headed: as it says itself, or as the table's title does; "kg" alone is an amount of what is listed. */
function valueHead<K extends string>(rest: string, title: string, { spread, meanings }: Declaration<K>): string {
  const unit = rest.replace(/^\(([^()]*)\)$/, "$1");
  const isUnit = rest !== "" && (Object.keys(meanings) as K[]).some((kind) => converts(meanings[kind].quantity, unit));
  if (rest !== "" && !isUnit) return rest;
  const word = title || (spread?.main ?? "");
  return word === "" ? unit || "Value" : isUnit ? `${word} (${unit})` : word;
}

/** The line above a table, where it says what the table is of. */
function titleAbove<K extends string>(above: readonly TableRecord[], { meanings }: Declaration<K>): string {
  const lines = above.flatMap(({ cells }) => {
    const filled = cells.filter((cell) => cell !== "");
    return filled.length === 1 ? filled : [];
  });
  return (
    lines.findLast((line) => {
      const [guess] = guessMeanings([headOf(line)], meanings);
      return guess && guess.certainty >= SURE_ENOUGH && meanings[guess.kind].quantity;
    }) ?? ""
  );
}

/** Heads that begin or end with a name of the site, whatever stands between its words; of two names the longer. */
function namesOfSite(names: readonly string[]): (head: string) => NamedHead | null {
  const patterns = [...names]
    .sort((a, b) => b.length - a.length)
    .map((name) => {
      const words = name.split(/[\s_-]+/).map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, "\\$&"));
      const spelt = words.join(String.raw`[\s_-]*`);
      return { name, spelt: new RegExp(String.raw`^(.*?)(?<![\p{L}\d])${spelt}(?![\p{L}\d])(.*)$`, "iu") };
    });
  const known = new Map<string, NamedHead | null>();
  const look = (head: string): NamedHead | null => {
    if (head.length > LONGEST_HEAD || !/\p{L}/u.test(head)) return null;
    for (const { name, spelt } of patterns) {
      const found = spelt.exec(head);
      if (!found) continue;
      const [before, after] = [trimmed(found[1] ?? ""), trimmed(found[2] ?? "")];
      if (before === "" || after === "") return { name, rest: before || after };
    }
    return null;
  };
  return (head) => {
    const found = known.get(head);
    if (found !== undefined) return found;
    const looked = look(head);
    known.set(head, looked);
    return looked;
  };
}
const LONGEST_HEAD = 80;

/** "pH 0-30", "03.06.2026": what is written like a name; an amount only beside what it is the name of, by itself it may be a figure. */
function nameAsWritten(head: string, written: RegExp, isAmount: boolean): NamedHead | null {
  const name = written.exec(head)?.[0];
  if (name === undefined) return null;
  const rest = trimmed(
    head
      .replace(name, " ")
      .replace(/\(\s*\)/g, " ")
      .replace(/\s+/g, " "),
  );
  return /\p{L}/u.test(rest) || (rest === "" && !isAmount) ? { name, rest } : null;
}

const trimmed = (text: string): string => text.replace(/^[\s:;,/_-]+|[\s:;,/_-]+$/g, "");

/** "Class 1 (kg)": a head with the word, and how its amount is told. */
function nameByWord<K extends string>(head: string, concept: Concept, declaration: Declaration<K>): NamedHead | null {
  const { words } = headOf(head);
  if (words.length === 0 || !words.some(({ concepts }) => concepts.includes(concept)) || /%/.test(head)) return null;
  const named = apart(head, declaration) ?? { name: head, rest: "" };
  // The word alone heads a column of names.
  return headOf(named.name).words.length > 1 || /[\s\d]/.test(named.name.trim()) ? named : null;
}

/** A column that has the same unit as those with names, and is no sum and no amount of all. */
function besides<K extends string>(head: string, declaration: Declaration<K>): NamedHead | null {
  const { words } = headOf(head);
  return saysTotal(head) || words.some(({ concepts }) => concepts.includes("amount") || concepts.includes("crate"))
    ? null
    : apart(head, declaration);
}

/** A head without its unit, and that unit; null where it has none that any meaning is told in. */
function apart<K extends string>(head: string, { meanings }: Declaration<K>): NamedHead | null {
  const quantities = (Object.keys(meanings) as K[])
    .map((kind) => meanings[kind].quantity)
    .filter((quantity) => !quantity?.units.includes("%"));
  const [unit] = headOf(head)
    .units.filter((text) => text !== head && quantities.some((quantity) => converts(quantity, text)))
    .sort((a, b) => a.length - b.length);
  if (unit === undefined) return null;
  const name = trimmed(
    head
      .replace(unit, " ")
      .replace(/[([{]\s*[)\]}]/g, " ")
      .replace(/\s+/g, " "),
  );
  return name === "" ? null : { name, rest: unit };
}

function converts(quantity: Parameters<typeof conversionOf>[0] | undefined, unit: string): boolean {
  return quantity !== undefined && conversionOf(quantity, unit) !== null;
}
