import type { Migration } from "./migration.ts";

/** Heads and pots that are taken no longer drink: a pick drops the midnights after it. */
export const takenPlants: Migration = {
  name: "030-taken-plants",
  async up(db) {
    for (const [name, event] of [
      ["pick", "INSERT ON pick"],
      ["pick_strike", "UPDATE ON pick"],
    ] as const)
      await db.raw(`CREATE TRIGGER checkpoint_${name} AFTER ${event} BEGIN
        DELETE FROM zone_checkpoint WHERE zone_id = NEW.zone_id AND date > NEW.picked_on;
      END`);
  },
};
