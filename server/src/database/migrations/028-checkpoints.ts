import type { Migration } from "./migration.ts";

/**
 * Every zone's root zone at the midnight with which a date begins. Whatever is stored later about a time before it drops it, in the
 * same transaction: a checkpoint can never outlive what it was worked out of.
 */
export const checkpoints: Migration = {
  name: "028-checkpoints",
  async up(db) {
    await db.raw(`CREATE TABLE zone_checkpoint (
      zone_id INTEGER NOT NULL REFERENCES zone (id),
      at_ms INTEGER NOT NULL,
      date TEXT NOT NULL,
      engine TEXT NOT NULL,
      state BLOB NOT NULL,
      PRIMARY KEY (zone_id, at_ms)
    ) WITHOUT ROWID`);
    await db.raw("CREATE INDEX zone_checkpoint_at ON zone_checkpoint (at_ms)");
    const drops: readonly (readonly [name: string, event: string, where: string])[] = [
      ["reading", "INSERT ON zone_reading", "zone_id = NEW.zone_id AND at_ms > NEW.at_ms"],
      ["reading_strike", "INSERT ON reading_strike", "zone_id = NEW.zone_id AND at_ms > NEW.at_ms"],
      ["watering", "INSERT ON watering", "zone_id = NEW.zone_id AND at_ms > NEW.start_ms"],
      ["watering_strike", "UPDATE ON watering", "zone_id = NEW.zone_id AND at_ms > NEW.start_ms"],
      ["decision", "INSERT ON decision", "zone_id = NEW.zone_id AND date > NEW.from_date"],
      ["decision_back", "UPDATE ON decision", "zone_id = NEW.zone_id AND date > NEW.from_date"],
      ["weather", "INSERT ON weather_reading", "at_ms > NEW.hour_ms"],
      ["weather_change", "UPDATE ON weather_reading", "at_ms > NEW.hour_ms"],
      ["weather_drop", "DELETE ON weather_reading", "at_ms > OLD.hour_ms"],
      ["zone", "UPDATE OF definition, plantings, house_id, unconfirmed ON zone", "zone_id = NEW.id"],
      ["house", "UPDATE ON house", "zone_id IN (SELECT id FROM zone WHERE house_id = NEW.id)"],
      ["site", "UPDATE ON site", "true"],
    ];
    for (const [name, event, where] of drops)
      await db.raw(
        `CREATE TRIGGER checkpoint_after_${name} AFTER ${event} BEGIN DELETE FROM zone_checkpoint WHERE ${where}; END`,
      );
    await db.raw(
      "CREATE TRIGGER checkpoint_before_zone_goes BEFORE DELETE ON zone BEGIN DELETE FROM zone_checkpoint WHERE zone_id = OLD.id; END",
    );
  },
};
