import type { Migration } from "./migration.ts";

/** Every record that a person makes says who made it. Until there are accounts that is the owner. */
export const actors: Migration = {
  name: "016-actors",
  async up(db) {
    for (const table of RECORDS) await db.raw(`ALTER TABLE ${table} ADD COLUMN actor TEXT NOT NULL DEFAULT 'owner'`);
  },
};

const RECORDS = [
  "site",
  "house",
  "zone",
  "weather_import",
  "zone_reading",
  "watering",
  "reading_strike",
  "water_report",
  "shelf_item",
  "feed_target",
  "feed_settings",
  "mix",
  "decision",
  "pick",
  "source",
  "zone_lines",
  "catch_test",
  "own_product",
  "zone_report",
  "source_dose",
  "kept_recipe",
];
