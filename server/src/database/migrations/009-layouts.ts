import type { Migration } from "./migration.ts";

export const layouts: Migration = {
  name: "009-layouts",
  async up(db) {
    await db.schema.alterTable("zone", (table) => {
      table.text("layout");
    });
  },
};
