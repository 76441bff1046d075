import type { Migration } from "./migration.ts";

/** Crops of one's own; what was worked out with one of them is worked out anew when it changes. */
export const ownCrops: Migration = {
  name: "033-own-crops",
  async up(db) {
    await db.raw(`CREATE TABLE own_crop (
      id TEXT PRIMARY KEY,
      based_on TEXT,
      crop TEXT NOT NULL,
      version INTEGER NOT NULL,
      actor TEXT NOT NULL
    )`);
    for (const event of ["UPDATE", "DELETE"])
      await db.raw(`CREATE TRIGGER checkpoint_own_crop_${event.toLowerCase()} AFTER ${event} ON own_crop BEGIN
        DELETE FROM zone_checkpoint;
      END`);
  },
};
