import type { Migration } from "./migration.ts";

export const keptRecipes: Migration = {
  name: "015-kept-recipes",
  async up(db) {
    await db.schema.createTable("kept_recipe", (table) => {
      table.increments("id");
      table.text("key").notNullable().unique();
      table.integer("site_id").notNullable().references("site.id");
      table.text("name").notNullable();
      table.integer("version").notNullable();
      table.bigInteger("kept_at_ms").notNullable();
      table.text("made_in").notNullable();
      table.text("asked").notNullable();
      table.text("result").notNullable();
      table.unique(["site_id", "name", "version"]);
    });
  },
};
