import type { Migration } from "./migration.ts";

/** How a site writes its dates; until somebody says otherwise as its units have it. */
export const dateForm: Migration = {
  name: "021-date-form",
  async up(db) {
    await db.raw("ALTER TABLE site ADD COLUMN date_form TEXT NOT NULL DEFAULT 'dmy'");
    await db.raw("UPDATE site SET date_form = 'mdy' WHERE unit_system = 'us'");
  },
};
