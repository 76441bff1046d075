import type { Migration } from "./migration.ts";

/** What the site's pump gives at most; sites from before have not said. */
export const sitePump: Migration = {
  name: "018-site-pump",
  async up(db) {
    await db.schema.alterTable("site", (table) => table.double("pump_lh"));
  },
};
