import type { Migration } from "./migration.ts";

/** Nets let rain through, and a heated house without a sensor is not as cold and dry as the air outside. */
export const covers: Migration = {
  name: "029-covers",
  async up(db) {
    await db.raw("ALTER TABLE house ADD COLUMN rain_through_pct REAL");
    await db.raw("ALTER TABLE house ADD COLUMN heated_to_c REAL");
  },
};
