import type { Migration } from "./migration.ts";

/** A zone that is no longer grown in stands on no page; its records are kept. */
export const archivedZones: Migration = {
  name: "024-archived-zones",
  async up(db) {
    await db.raw("ALTER TABLE zone ADD COLUMN archived INTEGER NOT NULL DEFAULT 0");
  },
};
