import type { Migration } from "./migration.ts";

/** A zone's own target belongs to the planting that it was kept for: those kept so far to the newest one. */
export const targetOfPlanting: Migration = {
  name: "023-target-of-planting",
  async up(db) {
    await db.raw("ALTER TABLE feed_target ADD COLUMN planted_on TEXT");
    await db.raw("ALTER TABLE feed_target ADD COLUMN stage_id TEXT");
    const zones = await db<{ id: number; plantings: string }>("zone").select("id", "plantings");
    for (const { id, plantings } of zones) {
      const newest = (JSON.parse(plantings) as { readonly plantedOn: string }[]).at(-1);
      await db("feed_target")
        .where({ zone_id: id })
        .update({ planted_on: newest?.plantedOn ?? null });
    }
  },
};
