import type { Migration } from "./migration.ts";

/** Leaf that was carried away beside what was picked. What was wrong is struck out, never erased. */
export const leafTaken: Migration = {
  name: "040-leaf-taken",
  async up(db) {
    await db.raw(`CREATE TABLE leaf_taken (
      id INTEGER PRIMARY KEY,
      key TEXT NOT NULL UNIQUE,
      zone_id INTEGER NOT NULL REFERENCES zone(id) ON DELETE CASCADE,
      planting TEXT NOT NULL,
      taken_on TEXT NOT NULL,
      mass_kg REAL NOT NULL,
      dry_pct REAL NOT NULL,
      n_pct REAL NOT NULL,
      p_pct REAL NOT NULL,
      k_pct REAL NOT NULL,
      analysed INTEGER NOT NULL,
      struck INTEGER NOT NULL DEFAULT 0,
      actor TEXT NOT NULL
    )`);
    await db.raw("CREATE INDEX leaf_taken_of_zone ON leaf_taken (zone_id, taken_on)");
  },
};
