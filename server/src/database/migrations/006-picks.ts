import type { Migration } from "./migration.ts";

export const picks: Migration = {
  name: "006-picks",
  async up(db) {
    await db.schema.createTable("pick", (table) => {
      table.increments("id");
      table.text("key").notNullable().unique();
      table.integer("zone_id").notNullable().references("zone.id");
      table.text("picked_on").notNullable();
      table.double("mass_kg").notNullable();
      table.integer("count");
      table.text("grade");
      table.double("brix_pct");
      table.text("struck_reason");
      table.integer("struck_at_ms");
      table.index(["zone_id", "picked_on"]);
    });
  },
};
