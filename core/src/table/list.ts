import { ListCells, RowRejected, type ListFlag, type ListRejection } from "./list-cells.ts";
import { ListFile, type ListTold } from "./list-file.ts";
import type { Source } from "./read-table.ts";
import type { Declaration } from "./declaration.ts";
import type { NotDataReason } from "./shape.ts";
import { Sheet, type Dialect, type SheetChoices, type SheetTold } from "./sheet.ts";

export interface ListChoices extends SheetChoices, ListTold {}

export interface ListRow<V> {
  readonly line: number;
  readonly values: V;
  readonly flags: readonly ListFlag[];
}

export interface ListTable<K extends string, V> extends SheetTold<K> {
  readonly dialect: Dialect & {
    /** nothing in the file tells a time of day: all of it counts as of one hour */
    readonly untimed: boolean;
  };
  readonly counts: Readonly<
    Record<"physicalLines" | "dataRows" | "accepted" | "flagged" | "rejected" | "notData", number>
  >;
  readonly notData: readonly { readonly line: number; readonly reason: NotDataReason }[];
  readonly rejected: readonly { readonly line: number; readonly reason: ListRejection; readonly detail: string }[];
  readonly rows: readonly ListRow<V>[];
}

const ZONE = "zone";

/**
 * Reads a list that people keep: notebook, tests, shelf, picks. Nothing is mended in silence, and of every line is told
 * what became of it.
 *
 * @param dateKinds columns that may hold the date, where the list has one
 * @param judge the values of a row; throws {@link RowRejected}
 * @param review looks at all rows together, and may flag what only the others show
 * @throws {DomainError} when there is no such list in the file
 */
export function readList<K extends string, V extends object>(
  source: Source,
  declaration: Declaration<K>,
  choices: ListChoices,
  { what, dateKinds, judge, review }: ListReading<K, V>,
): ListTable<K, V> {
  const { zone, day } = choices;
  const [dateKind] = dateKinds;
  const said = { ...(zone !== undefined && { zone }), ...(day !== undefined && dateKind && { [dateKind]: day }) };
  const sheet = new Sheet(source, declaration, { ...choices, said, names: { [ZONE]: choices.zones } }, what);
  const { layout, columns, table } = sheet;
  const file = new ListFile(sheet, choices, dateKinds);
  const { times } = declaration;
  const rejected: { line: number; reason: ListRejection; detail: string }[] = [];
  const rows: ListRow<V>[] = [];
  const seen = new Set<string>();
  for (const record of layout.dataRows) {
    const cells = new ListCells(record, file);
    try {
      if (record.cells.length !== columns.length)
        throw new RowRejected("field-count", `${record.cells.length} cells where the header has ${columns.length}`);
      const values = judge(cells, { layout, rows });
      const key = JSON.stringify(values);
      if (seen.has(key)) throw new RowRejected("duplicate", "the row stands in the file twice");
      seen.add(key);
      rows.push({ line: record.line, values, flags: cells.flags });
    } catch (thrown) {
      if (!(thrown instanceof RowRejected)) throw thrown;
      rejected.push({ line: record.line, reason: thrown.reason, detail: thrown.detail });
    }
  }
  const reviewed = review ? review(rows) : rows;
  const told = sheet.told();
  const isOfHeads = layout.dataRows.some(({ turned }) => turned !== undefined && turned.head !== "");
  const flagged = reviewed.filter(({ flags }) => flags.length > 0).length;
  return {
    ...told,
    // What lies across names in its heads what each column is of.
    lacks: isOfHeads ? told.lacks.filter((group) => !group.includes(ZONE)) : told.lacks,
    dialect: {
      ...sheet.dialect(file.days),
      untimed: times?.time !== undefined && !file.tellsHours && !columns.some(({ kind }) => kind === times.time),
    },
    counts: {
      physicalLines: table.physicalLines,
      dataRows: layout.dataRows.length,
      accepted: reviewed.length - flagged,
      flagged,
      rejected: rejected.length,
      notData: layout.notData.length,
    },
    notData: layout.notData,
    rejected,
    rows: reviewed,
  };
}

interface ListReading<K extends string, V> {
  /** what to say when the file holds no such list */
  readonly what: string;
  readonly dateKinds: readonly K[];
  judge(
    cells: ListCells<K>,
    before: { readonly layout: { preamble: readonly string[] }; readonly rows: readonly ListRow<V>[] },
  ): V;
  review?(rows: readonly ListRow<V>[]): readonly ListRow<V>[];
}
