import type { Migration } from "./migration.ts";

export const plantings: Migration = {
  name: "004-plantings",
  async up(db) {
    // A zone has one planting after the other: what stood there before keeps its history.
    await db.schema.alterTable("zone", (table) => {
      table.text("plantings").notNullable().defaultTo("[]");
    });
    const rows = await db<{ id: number; planting: string | null; plantings: string }>("zone").whereNotNull("planting");
    for (const { id, planting } of rows) {
      const standing = { ...(JSON.parse(planting ?? "{}") as object), clearedOn: null };
      await db("zone")
        .where({ id })
        .update({ plantings: JSON.stringify([standing]) });
    }
    await db.schema.alterTable("zone", (table) => {
      table.dropColumn("planting");
    });
  },
};
