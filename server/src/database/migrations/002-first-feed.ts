import type { Migration } from "./migration.ts";

export const firstFeed: Migration = {
  name: "002-first-feed",
  async up(db) {
    await db.schema.createTable("water_report", (table) => {
      table.increments("id");
      table.integer("site_id").notNullable().references("site.id");
      table.text("source_name").notNullable();
      table.text("taken_on").notNullable();
      table.text("ions").notNullable();
      table.double("ph").notNullable();
      table.double("ec_ms_cm");
    });
    await db.schema.createTable("shelf_item", (table) => {
      table.integer("site_id").notNullable().references("site.id");
      table.text("product_id").notNullable();
      table.double("price_kg");
      table.double("stock_kg").notNullable();
      table.primary(["site_id", "product_id"]);
    });
    await db.schema.createTable("feed_target", (table) => {
      table.integer("zone_id").primary().references("zone.id");
      table.integer("version").notNullable();
      table.text("target").notNullable();
    });
    await db.schema.createTable("mix", (table) => {
      table.increments("id");
      table.text("key").notNullable().unique();
      table.integer("zone_id").notNullable().references("zone.id");
      table.integer("mixed_at_ms").notNullable();
      table.text("lines").notNullable();
    });
  },
};
