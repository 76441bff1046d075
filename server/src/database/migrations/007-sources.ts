import type { Migration } from "./migration.ts";

export const sources: Migration = {
  name: "007-sources",
  async up(db) {
    await db.schema.createTable("source", (table) => {
      table.increments("id");
      table.integer("site_id").notNullable().references("site.id");
      table.integer("version").notNullable();
      table.text("name").notNullable();
      table.text("definition").notNullable();
      table.unique(["site_id", "name"]);
    });
    await db.schema.alterTable("zone", (table) => {
      table.text("waters").notNullable().defaultTo("[]");
    });
    // Reports named their water in words so far; each name becomes a source of unknown limits.
    const undescribed = { kind: "well", maxFlowLh: null, priceM3: null, licenceM3Year: null, storage: null };
    const named = await db<{ site_id: number; source_name: string }>("water_report").distinct("site_id", "source_name");
    for (const { site_id, source_name } of named)
      await db("source").insert({
        site_id,
        version: 1,
        name: source_name,
        definition: JSON.stringify(undescribed),
      });
    await db.schema.alterTable("water_report", (table) => {
      table.integer("source_id").references("source.id");
    });
    await db.raw(
      "UPDATE water_report SET source_id = (SELECT id FROM source WHERE source.site_id = water_report.site_id AND source.name = water_report.source_name)",
    );
    await db.schema.alterTable("water_report", (table) => {
      table.dropColumn("source_name");
    });
  },
};
