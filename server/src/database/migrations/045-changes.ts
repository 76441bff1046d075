import type { Migration } from "./migration.ts";

/** Who changed what: a row for each write of a person, which holds the hash of the row before it. */
export const changes: Migration = {
  name: "045-changes",
  async up(db) {
    await db.raw(`CREATE TABLE change (
      id INTEGER PRIMARY KEY,
      at_ms INTEGER NOT NULL,
      actor TEXT NOT NULL,
      device TEXT NOT NULL,
      endpoint TEXT NOT NULL,
      kind TEXT NOT NULL,
      key TEXT NOT NULL,
      zone_id INTEGER,
      zone TEXT,
      records TEXT NOT NULL,
      counts TEXT NOT NULL,
      before TEXT NOT NULL,
      from_file INTEGER NOT NULL
    )`);
    await db.raw("CREATE INDEX change_of_record ON change (kind, key, id)");
    await db.raw("CREATE INDEX change_of_zone ON change (zone_id, id)");
    await db.raw("CREATE INDEX change_at ON change (at_ms)");
  },
};
