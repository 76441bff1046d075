import type { Migration } from "./migration.ts";

export const zoneReports: Migration = {
  name: "012-zone-reports",
  async up(db) {
    await db.schema.createTable("zone_report", (table) => {
      table.increments("id");
      table.integer("zone_id").notNullable().references("zone.id");
      table.text("taken_on").notNullable();
      table.text("report").notNullable();
      table.text("struck_reason");
      table.index(["zone_id", "taken_on"]);
    });
  },
};
