import type { Migration } from "./migration.ts";

/** A watering that was said by mistake is struck out with its reason, never erased. */
export const struckWaterings: Migration = {
  name: "019-struck-waterings",
  async up(db) {
    await db.schema.alterTable("watering", (table) => {
      table.text("struck_reason");
      table.integer("struck_at_ms");
    });
  },
};
