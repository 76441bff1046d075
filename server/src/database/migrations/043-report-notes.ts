import type { Migration } from "./migration.ts";

/** What a water's report tells beside its figures: limits of what could be measured, and methods. */
export const reportNotes: Migration = {
  name: "043-report-notes",
  async up(db) {
    await db.raw("ALTER TABLE water_report ADD COLUMN notes TEXT");
  },
};
