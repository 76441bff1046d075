import type { Migration } from "./migration.ts";

/** What is done to a soil before planting. What was wrong is struck out, never erased. */
export const soilSteps: Migration = {
  name: "039-soil-steps",
  async up(db) {
    await db.raw(`CREATE TABLE soil_step (
      id INTEGER PRIMARY KEY,
      key TEXT NOT NULL UNIQUE,
      zone_id INTEGER NOT NULL REFERENCES zone(id) ON DELETE CASCADE,
      kind TEXT NOT NULL,
      done_on TEXT NOT NULL,
      wait_days INTEGER NOT NULL,
      note TEXT,
      struck INTEGER NOT NULL DEFAULT 0,
      actor TEXT NOT NULL
    )`);
    await db.raw("CREATE INDEX soil_step_of_zone ON soil_step (zone_id, done_on)");
  },
};
