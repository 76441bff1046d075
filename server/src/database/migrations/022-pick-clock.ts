import type { Migration } from "./migration.ts";

/** A pick may say at what time of its day it came off. */
export const pickClock: Migration = {
  name: "022-pick-clock",
  async up(db) {
    await db.raw("ALTER TABLE pick ADD COLUMN clock TEXT");
  },
};
