import type { TableRecord } from "./read-table.ts";
import type { Sheet } from "./sheet.ts";
import { readTime, type DateOrder } from "./time-text.ts";

/** What holds for a whole list, where its rows do not say it. */
export interface ListTold {
  /** names of the site's zones */
  readonly zones: readonly string[];
  /** IANA name of the zone of the file's clock */
  readonly timeZone: string;
  /** the zone of all rows, where no column names one */
  readonly zone?: string | undefined;
  /** which zone is meant by a name that the file has for one */
  readonly zoneNames?: Readonly<Record<string, string>> | undefined;
  /** the day of all rows that tell none, `YYYY-MM-DD` */
  readonly day?: string | undefined;
  /** of rows that tell no time of day, `HH:MM`; noon where left out */
  readonly hour?: string | undefined;
}

/** The rows of a list with the day of each: one that tells none has that of the row above. */
export class ListFile<K extends string> {
  readonly order: DateOrder;
  private readonly dates = new Map<TableRecord, string>();
  private hours: boolean | undefined;

  constructor(
    readonly sheet: Sheet<K>,
    readonly choices: ListTold,
    dateKinds: readonly K[],
  ) {
    const kind = dateKinds.find((one) => sheet.column(one)) ?? dateKinds[0];
    if (kind !== undefined) {
      const column = sheet.column(kind);
      let above = sheet.inAll[kind] ?? "";
      for (const row of sheet.layout.dataRows) {
        const cell = column ? (row.cells[column.column - 1] ?? "") : "";
        if (cell !== "" && !/^(ditto|"|''|〃)$/i.test(cell)) above = cell;
        this.dates.set(row, above);
      }
    }
    this.order = sheet.dialect(this.days).dateOrder;
  }

  /** What tells the day of each row. */
  get days(): readonly string[] {
    return [...this.dates.values()];
  }

  /** Whether any row tells a time of day. */
  get tellsHours(): boolean {
    this.hours ??= this.days.some((text) => {
      const reading = readTime(text, this.order);
      return "hasHour" in reading && reading.hasHour;
    });
    return this.hours;
  }

  dateOf(record: TableRecord): string {
    return this.dates.get(record) ?? "";
  }
}
