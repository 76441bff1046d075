import type { Migration } from "./migration.ts";

export const doses: Migration = {
  name: "013-source-doses",
  async up(db) {
    await db.schema.createTable("source_dose", (table) => {
      table.increments("id");
      table.text("key").notNullable().unique();
      table.integer("zone_id").notNullable().references("zone.id");
      table.integer("source_id").notNullable().references("source.id");
      table.text("given_on").notNullable();
      table.double("litres").notNullable();
      table.double("flush_l").notNullable();
      table.text("struck_reason");
      table.index(["zone_id", "given_on"]);
    });
  },
};
