import type { Migration } from "./migration.ts";

/** What a zone is fed bears on the salt and nitrogen of every midnight. */
export const fedZones: Migration = {
  name: "031-fed-zones",
  async up(db) {
    for (const table of ["feed_target", "feed_settings"])
      for (const [event, row] of [
        ["INSERT", "NEW"],
        ["UPDATE", "NEW"],
        ["DELETE", "OLD"],
      ] as const)
        await db.raw(`CREATE TRIGGER checkpoint_${table}_${event.toLowerCase()} AFTER ${event} ON ${table} BEGIN
          DELETE FROM zone_checkpoint WHERE zone_id = ${row}.zone_id;
        END`);
  },
};
