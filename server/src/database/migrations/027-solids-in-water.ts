import type { Migration } from "./migration.ts";

/** A report of water may tell its suspended solids. */
export const solidsInWater: Migration = {
  name: "027-solids-in-water",
  async up(db) {
    await db.raw("ALTER TABLE water_report ADD COLUMN suspended_solids_mg_l REAL");
  },
};
