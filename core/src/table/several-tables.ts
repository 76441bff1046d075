import type { Declaration } from "./declaration.ts";
import { HAS_ALL, HEADER_ROWS, headerOf, isFigure, mayHead, type Header } from "./header-row.ts";
import type { TableRecord } from "./read-table.ts";
import { toldAbove } from "./row-kinds.ts";
import type { LaidColumn, Layout } from "./shape.ts";
import { across, longTable } from "./turned-table.ts";

type Records = readonly TableRecord[];

/** The parts of a sheet that are tables of their own, beside and under each other; one where there is but one. */
export function tablesIn<K extends string>(records: Records, declaration: Declaration<K>): readonly Records[] {
  return besideEachOther(records, declaration).flatMap((part) => underEachOther(part, declaration));
}

/** Parts between which a column is empty all the way down, each with all that a table needs. */
function besideEachOther<K extends string>(records: Records, declaration: Declaration<K>): readonly Records[] {
  const rows = records.filter(({ cells }) => cells.filter((cell) => cell !== "").length > 1);
  const width = rows.reduce((most, { cells }) => Math.max(most, cells.length), 0);
  const isEmpty = Array.from({ length: width }, (_, at) => rows.every(({ cells }) => (cells[at] ?? "") === ""));
  const starts = isEmpty.flatMap((empty, at) => (!empty && (at === 0 || isEmpty[at - 1]) ? [at] : []));
  if (starts.length < 2) return [records];
  const parts = starts.map((from, at): Records => {
    const to = starts[at + 1] ?? width;
    return (at === 0 ? records : rows).map((record) => ({ ...record, cells: trimmed(record.cells.slice(from, to)) }));
  });
  return parts.every((part) => isWhole(part, declaration)) ? parts : [records];
}

function trimmed(cells: readonly string[]): readonly string[] {
  return cells.slice(0, cells.findLastIndex((cell) => cell !== "") + 1);
}

function isWhole<K extends string>(part: Records, declaration: Declaration<K>): boolean {
  return (
    (headerOf(part, declaration)?.worth ?? 0) >= HAS_ALL || (across(part, declaration)?.header.worth ?? 0) >= HAS_ALL
  );
}

function underEachOther<K extends string>(records: Records, declaration: Declaration<K>): readonly Records[] {
  const first = firstHead(records, declaration);
  const isDown = first !== null && first.worth >= HAS_ALL;
  // A row for each figure tells its sample, and names what it is again and again.
  if (!isDown && longTable(records, declaration)) return [records];
  const starts = isDown ? laterHeads(records, first, declaration) : laterNames(records, declaration);
  const bounds = [0, ...starts, records.length];
  return bounds.slice(1).map((to, at) => records.slice(bounds[at], to));
}

/** The head that most is known of may be that of a later table. */
function firstHead<K extends string>(records: Records, declaration: Declaration<K>): Header | null {
  const best = headerOf(records, declaration);
  if (!best || best.worth < HAS_ALL) return best;
  const before = firstHead(records.slice(0, best.from), declaration);
  const hasRows = before && records.slice(before.to + 1, best.from).some(({ cells }) => cells.some(isFigure));
  return before && hasRows && before.worth >= HAS_ALL ? before : best;
}

/** Where another head stands, or the same again below what tells something else of its rows. */
function laterHeads<K extends string>(records: Records, first: Header, declaration: Declaration<K>): number[] {
  const starts: number[] = [];
  let before = first.cells;
  for (let at = first.to + 1; at < records.length; at++) {
    const cells = records[at]?.cells ?? [];
    if (cells.length < 2 || cells.some(isFigure) || !mayHead(cells)) continue;
    const head = headerOf(records.slice(at, at + HEADER_ROWS), declaration);
    if (head?.from !== 0 || head.worth < HAS_ALL) continue;
    const from = afterFigures(records, at);
    const isSame = head.cells.length === before.length && head.cells.every((cell, place) => cell === before[place]);
    if (isSame && Object.keys(toldAbove(records.slice(from, at), declaration)).length === 0) continue;
    starts.push(from);
    before = head.cells;
    at += head.to;
  }
  return starts;
}

/** So many names that were there before begin another table, where parameters stand below each other. */
const NAMES_AGAIN = 3;

function laterNames<K extends string>(records: Records, declaration: Declaration<K>): number[] {
  const turned = across(records, declaration);
  if (!turned || turned.header.worth < HAS_ALL) return [];
  const { lines, header } = turned;
  const nameAt = new Map(lines.map((line, at) => [line, header.cells[at] ?? ""]));
  const starts: number[] = [];
  let known = new Set<string>();
  records.forEach(({ line, cells }, at) => {
    const name = nameAt.get(line) ?? "";
    if (name === "" || !cells.some(isFigure)) return;
    if (known.has(name)) {
      const later = records.slice(at).map((record) => nameAt.get(record.line) ?? "");
      const again = new Set(later.filter((one) => known.has(one)));
      if (again.size < Math.min(NAMES_AGAIN, known.size)) return;
      starts.push(afterFigures(records, at));
      known = new Set();
    }
    known.add(name);
  });
  return starts;
}

/** What stands over a row down from the last one with a figure belongs to it. */
function afterFigures(records: Records, at: number): number {
  return records.slice(0, at).findLastIndex(({ cells }) => cells.length > 1 && cells.some(isFigure)) + 1;
}

/** Tables as one: what means the same in the same unit is one column, what was told above one stands in each of its rows. */
export function together<K extends string>(layouts: readonly Layout<K>[], { meanings }: Declaration<K>): Layout<K> {
  const places = new Map<string, number>();
  const columns: LaidColumn<K>[] = [];
  const placeOf = (key: string, laid: LaidColumn<K>): number => {
    const known = places.get(key);
    if (known !== undefined) return known;
    places.set(key, columns.length);
    columns.push({ ...laid, column: columns.length + 1 });
    return columns.length - 1;
  };
  const keyOf = ({ guess, header, unitBeside }: LaidColumn<K>): string => {
    if (!guess || meanings[guess.kind].many) return `head ${header} ${unitBeside}`;
    const { unit } = guess.conversion ?? {};
    return meanings[guess.kind].quantity
      ? unit === undefined
        ? `head ${header} ${unitBeside}`
        : `${guess.kind} ${unit}`
      : guess.kind;
  };
  const moved = layouts.map((layout) => {
    const seen = new Map<string, number>();
    const to = layout.columns.map((laid) => {
      const key = keyOf(laid);
      const times = (seen.get(key) ?? 0) + 1;
      seen.set(key, times);
      return placeOf(times === 1 ? key : `${key} ${times}`, laid);
    });
    const told = (Object.keys(layout.told) as K[])
      .filter((kind) => !layout.columns.some(({ guess }) => guess?.kind === kind))
      .map((kind): [number, string] => [placeOf(kind, toldColumn(kind)), layout.told[kind] ?? ""]);
    return { layout, to, told };
  });
  const dataRows = moved.flatMap(({ layout, to, told }) =>
    layout.dataRows.map((record) => {
      if (record.cells.length !== to.length) return record.cells.length === columns.length ? tooLong(record) : record;
      const cells = new Array<string>(columns.length).fill("");
      for (const [place, said] of told) cells[place] = said;
      to.forEach((place, at) => (cells[place] = record.cells[at] ?? ""));
      return {
        ...record,
        cells,
        ...(record.turned && { turned: { ...record.turned, lines: movedLines(record.turned.lines, to) } }),
      };
    }),
  );
  const dataLines = new Set(dataRows.map(({ line }) => line));
  const [first] = layouts;
  return {
    columns,
    dataRows,
    preamble: layouts.flatMap(({ preamble }) => preamble),
    notData: layouts
      .flatMap(({ notData }) => notData)
      .filter(({ line }, at, all) => !dataLines.has(line) && all.findIndex((other) => other.line === line) === at),
    lies: first && layouts.every(({ lies }) => lies === first.lies) ? first.lies : "down",
    // It stands in the rows now.
    told: {} as Layout<K>["told"],
  };
}

function toldColumn<K extends string>(kind: K): LaidColumn<K> {
  return {
    ...{ column: 0, header: "above the table", unitBeside: "", method: "" },
    guess: { kind, certainty: 1, because: "it stands above the table", conversion: null, unknownUnit: null },
  };
}

function tooLong(record: TableRecord): TableRecord {
  return { ...record, cells: [...record.cells, ""] };
}

function movedLines(lines: readonly number[], to: readonly number[]): readonly number[] {
  const moved: number[] = [];
  to.forEach((place, at) => (moved[place] = lines[at] ?? 0));
  return moved;
}
