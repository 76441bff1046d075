import type { Migration } from "./migration.ts";

export const strikes: Migration = {
  name: "003-strikes",
  async up(db) {
    // A reading is never erased: what does not count is named here.
    await db.schema.createTable("reading_strike", (table) => {
      table.integer("zone_id").notNullable().references("zone.id");
      table.integer("at_ms").notNullable();
      table.text("reason").notNullable();
      table.integer("struck_at_ms").notNullable();
      table.primary(["zone_id", "at_ms"]);
    });
  },
};
