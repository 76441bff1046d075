import type { Migration } from "./migration.ts";

/** What stood in each tank after a mix; null for mixes from before, which are taken for full tanks. */
export const tankLevels: Migration = {
  name: "017-tank-levels",
  async up(db) {
    await db.schema.alterTable("mix", (table) => table.text("levels"));
  },
};
