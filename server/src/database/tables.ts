import { CHANGE_KINDS } from "@sprunel/contract/changes";

/**
 * Every table that the program writes into, but the books of its schema: what people change, then what is measured by devices,
 * worked out, or kept of changes.
 */
export const TABLES = [
  ...CHANGE_KINDS,
  "change",
  "file_import_row",
  "station",
  "weather_conflict",
  "weather_reading",
  "zone_checkpoint",
] as const;

export type Table = (typeof TABLES)[number];

/** Rows of a table that a transaction writes: whatever was worked out of them is worked out anew. */
export interface RowsWritten {
  readonly table: Table;
  /** whose rows; those of all zones where left out, of none where empty */
  readonly zones?: readonly number[];
  /** the first date, or instant in ms, that they tell something about; all time where left out */
  readonly from?: string | number;
}
