import type { Migration } from "./migration.ts";

/** Every file that was imported, and what it added or changed: so that it can be taken back as a whole. */
export const imports: Migration = {
  name: "042-imports",
  async up(db) {
    await db.raw(`CREATE TABLE file_import (
      id INTEGER PRIMARY KEY,
      kind TEXT NOT NULL,
      file_name TEXT NOT NULL,
      heads TEXT NOT NULL,
      choices TEXT NOT NULL,
      rows INTEGER NOT NULL,
      imported_at_ms INTEGER NOT NULL,
      taken_back_at_ms INTEGER,
      weather_import_id INTEGER REFERENCES weather_import (id),
      actor TEXT NOT NULL
    )`);
    await db.raw(`CREATE TABLE file_import_row (
      import_id INTEGER NOT NULL REFERENCES file_import (id),
      place INTEGER NOT NULL,
      of_table TEXT NOT NULL,
      key TEXT NOT NULL,
      before TEXT,
      after TEXT,
      PRIMARY KEY (import_id, place)
    ) WITHOUT ROWID`);
    // Those that came before this was kept: of weather it is known what they brought.
    await db.raw(`INSERT INTO file_import (kind, file_name, heads, choices, rows, imported_at_ms, weather_import_id, actor)
      SELECT 'weather', file_name, header, choices, 0, imported_at_ms, id, actor FROM weather_import`);
    await db.raw(`CREATE TRIGGER checkpoint_after_reading_goes AFTER DELETE ON zone_reading
      BEGIN DELETE FROM zone_checkpoint WHERE zone_id = OLD.zone_id AND at_ms > OLD.at_ms; END`);
  },
};
