import type { Migration } from "./migration.ts";

/** How plantings are fed in doses, and what became of each dose. What was noted is struck out, never erased. */
export const doseProgrammes: Migration = {
  name: "035-dose-programmes",
  async up(db) {
    await db.raw(`CREATE TABLE dose_programme (
      zone_id INTEGER NOT NULL REFERENCES zone(id) ON DELETE CASCADE,
      planting TEXT NOT NULL,
      version INTEGER NOT NULL,
      programme TEXT NOT NULL,
      actor TEXT NOT NULL,
      PRIMARY KEY (zone_id, planting)
    )`);
    await db.raw(`CREATE TABLE dose_record (
      id INTEGER PRIMARY KEY,
      key TEXT NOT NULL UNIQUE,
      zone_id INTEGER NOT NULL REFERENCES zone(id) ON DELETE CASCADE,
      planting TEXT NOT NULL,
      planned_on TEXT NOT NULL,
      basal INTEGER NOT NULL,
      done_on TEXT NOT NULL,
      state TEXT NOT NULL,
      products TEXT NOT NULL,
      reason TEXT,
      struck INTEGER NOT NULL DEFAULT 0,
      actor TEXT NOT NULL
    )`);
    await db.raw("CREATE INDEX dose_record_of_zone ON dose_record (zone_id, planting)");
  },
};
