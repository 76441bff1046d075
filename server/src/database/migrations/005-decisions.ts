import type { Migration } from "./migration.ts";

export const decisions: Migration = {
  name: "005-decisions",
  async up(db) {
    await db.schema.createTable("decision", (table) => {
      table.increments("id");
      table.integer("zone_id").notNullable().references("zone.id");
      table.text("cause").notNullable();
      // What the finding rested on: the instant of a reading, or a date.
      table.text("about").notNullable();
      table.text("verdict").notNullable();
      table.text("from_date").notNullable();
      table.text("correction");
      table.text("reason");
      table.integer("decided_at_ms").notNullable();
    });
  },
};
