/** Every table that the program writes into, but the books of its schema. */
export const TABLES = [
  "catch_test",
  "day_plan",
  "decision",
  "dose_programme",
  "dose_record",
  "feed_settings",
  "feed_target",
  "file_import",
  "file_import_row",
  "house",
  "kept_programme",
  "kept_recipe",
  "leaf_taken",
  "main",
  "mix",
  "nutrient_rules",
  "own_crop",
  "own_product",
  "pick",
  "reading_strike",
  "shelf_item",
  "site",
  "soil_step",
  "source",
  "source_dose",
  "station",
  "water_report",
  "watering",
  "weather_conflict",
  "weather_import",
  "weather_reading",
  "zone",
  "zone_checkpoint",
  "zone_lines",
  "zone_reading",
  "zone_report",
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
