import type { Migration } from "./migration.ts";

export const lines: Migration = {
  name: "008-lines",
  async up(db) {
    await db.schema.createTable("zone_lines", (table) => {
      table.integer("zone_id").primary().references("zone.id");
      table.integer("version").notNullable();
      table.text("lines").notNullable();
    });
    await db.schema.createTable("catch_test", (table) => {
      table.increments("id");
      table.text("key").notNullable().unique();
      table.integer("zone_id").notNullable().references("zone.id");
      table.text("tested_on").notNullable();
      table.double("minutes").notNullable();
      table.text("catches").notNullable();
      table.text("struck_reason");
    });
  },
};
