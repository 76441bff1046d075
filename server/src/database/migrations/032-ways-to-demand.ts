import type { Migration } from "./migration.ts";

/** A zone may have a way to its demand; with it, and with what its plants stand in, its days are other days. */
export const waysToDemand: Migration = {
  name: "032-ways-to-demand",
  async up(db) {
    await db.raw("ALTER TABLE zone ADD COLUMN demand TEXT");
    await db.raw(`CREATE TRIGGER checkpoint_zone_demand AFTER UPDATE OF demand, layout ON zone BEGIN
      DELETE FROM zone_checkpoint WHERE zone_id = NEW.id;
    END`);
  },
};
