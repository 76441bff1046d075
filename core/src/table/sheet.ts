import { DomainError } from "../working/domain-error.ts";
import { kindsOf, lacksOf, readColumns, type ChosenColumn, type ReadColumn } from "./columns.ts";
import type { DecimalMark } from "./number.ts";
import { asTable, bookOf, type Source, type Table, type TableRecord } from "./read-table.ts";
import type { Declaration } from "./declaration.ts";
import { layOut, type Layout } from "./shape.ts";
import { dateOrder, type DateOrder } from "./time-text.ts";

/** What a person may settle about any file before its import; what is left out is guessed, and the guess is told. */
export interface SheetChoices {
  readonly columns?: readonly ChosenColumn[] | undefined;
  readonly dateOrder?: DateOrder | undefined;
  readonly decimal?: DecimalMark | undefined;
  /** the site's date: nothing in the file is from after it */
  readonly today?: string | undefined;
  /** of all rows, by meaning, where the file does not say it */
  readonly said?: Readonly<Record<string, string>> | undefined;
  /** what a meaning may be named, as the site's zones */
  readonly names?: Readonly<Record<string, readonly string[]>> | undefined;
}

/** What is told of any file that was read. */
export interface SheetTold<K extends string> {
  readonly columns: readonly (ReadColumn<K> & { readonly examples: readonly string[] })[];
  /** what a column may mean, and in what units */
  readonly kinds: readonly { readonly kind: K; readonly units: readonly string[] }[];
  /** what no column is taken for, though the table should have one of each */
  readonly lacks: readonly (readonly string[])[];
  /** of a workbook, the sheets that it has, and the one that was read */
  readonly book: { readonly sheets: readonly string[]; readonly sheet: string } | null;
  readonly preamble: readonly string[];
}

/** How a file is written. */
export interface Dialect extends Pick<Table, "encoding" | "lineEnd" | "delimiter" | "decimal" | "decimalAssumed"> {
  readonly dateOrder: DateOrder;
  readonly dateOrderAssumed: boolean;
}

/** So many cells of a column show what it holds. */
const EXAMPLES = 3;

/** A file of some kind, its table found and its columns known as far as they are. */
export class Sheet<K extends string> {
  readonly table: Table;
  readonly layout: Layout<K>;
  readonly columns: readonly ReadColumn<K>[];

  /**
   * @param what said where there is no table in the file
   * @throws {DomainError} where there is none, and for a column set to what it cannot be
   */
  constructor(
    source: Source,
    readonly declaration: Declaration<K>,
    private readonly choices: SheetChoices,
    what: string,
  ) {
    this.table = asTable(source, choices.decimal);
    const layout = layOut(this.table, declaration, choices.names as Partial<Record<K, readonly string[]>> | undefined);
    if (!layout) throw new DomainError({ code: "not-possible", path: "file", message: what });
    this.layout = layout;
    this.columns = readColumns(layout, declaration, this.table.decimal, choices.columns);
  }

  column(kind: K): ReadColumn<K> | undefined {
    return this.columns.find((column) => column.kind === kind);
  }

  /** Where several tables came together, a meaning may have a column in each unit: the one that the row fills. */
  columnOf({ cells }: TableRecord, kind: K): ReadColumn<K> | undefined {
    const first = this.column(kind);
    if (!first || (cells[first.column - 1] ?? "") !== "") return first;
    return this.columns.find((one) => one.kind === kind && (cells[one.column - 1] ?? "") !== "") ?? first;
  }

  /** A row's cell of a meaning; what somebody said, or what stands above the table, of all rows; empty where nothing tells it. */
  text(record: TableRecord, kind: K): string {
    const column = this.columnOf(record, kind);
    return (column && record.cells[column.column - 1]) || (this.inAll[kind] ?? "");
  }

  /** What holds for all rows that do not say it themselves, by meaning. */
  get inAll(): Readonly<Partial<Record<K, string>>> {
    return { ...this.layout.told, ...(this.choices.said as Partial<Record<K, string>> | undefined) };
  }

  /** @param dates all texts of the file that hold a day */
  dialect(dates: readonly string[]): Dialect {
    const { encoding, lineEnd, delimiter, decimal, decimalAssumed } = this.table;
    const found = this.choices.dateOrder ?? dateOrder(dates, this.choices.today);
    return {
      ...{ encoding, lineEnd, delimiter, decimal, decimalAssumed },
      dateOrder: found === "ambiguous" ? "dmy" : found,
      dateOrderAssumed: found === "ambiguous" && dates.some((text) => text !== ""),
    };
  }

  told(): SheetTold<K> {
    const { columns, declaration, layout, table } = this;
    const examplesOf = ({ column }: ReadColumn<K>): string[] => {
      const found: string[] = [];
      for (const { cells } of layout.dataRows) {
        const cell = cells[column - 1] ?? "";
        if (cell !== "" && found.push(cell) === EXAMPLES) break;
      }
      return found;
    };
    return {
      columns: columns.map((column) => ({ ...column, examples: examplesOf(column) })),
      kinds: kindsOf(declaration),
      lacks: lacksOf(columns, declaration, this.inAll),
      book: bookOf(table),
      preamble: layout.preamble,
    };
  }
}
