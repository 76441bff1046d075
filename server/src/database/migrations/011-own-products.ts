import type { Migration } from "./migration.ts";

export const ownProducts: Migration = {
  name: "011-own-products",
  async up(db) {
    await db.schema.createTable("own_product", (table) => {
      table.increments("id");
      table.integer("site_id").notNullable().references("site.id");
      table.text("product").notNullable();
    });
  },
};
