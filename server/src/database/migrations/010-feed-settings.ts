import type { Migration } from "./migration.ts";

export const feedSettings: Migration = {
  name: "010-feed-settings",
  async up(db) {
    await db.schema.createTable("feed_settings", (table) => {
      table.integer("zone_id").primary().references("zone.id");
      table.integer("version").notNullable();
      table.text("settings").notNullable();
    });
  },
};
