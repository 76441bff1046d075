import type { Migration } from "./migration.ts";

/** What all zones share, and the days that were planned over it. */
export const dayPlans: Migration = {
  name: "041-day-plans",
  async up(db) {
    await db.raw(`CREATE TABLE main (
      site_id INTEGER PRIMARY KEY REFERENCES site(id) ON DELETE CASCADE,
      version INTEGER NOT NULL,
      main TEXT NOT NULL,
      actor TEXT NOT NULL
    )`);
    await db.raw(`CREATE TABLE day_plan (
      id INTEGER PRIMARY KEY,
      site_id INTEGER NOT NULL REFERENCES site(id) ON DELETE CASCADE,
      date TEXT NOT NULL,
      version INTEGER NOT NULL,
      edited_at_version INTEGER NOT NULL,
      asked TEXT NOT NULL,
      plan TEXT NOT NULL,
      edits TEXT NOT NULL,
      changes TEXT NOT NULL,
      changed_at_ms INTEGER NOT NULL,
      actor TEXT NOT NULL,
      UNIQUE (site_id, date)
    )`);
  },
};
