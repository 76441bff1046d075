import type { Migration } from "./migration.ts";

/** Programmes of doses under a name, each kept as the next version of it; none is ever changed. */
export const keptProgrammes: Migration = {
  name: "036-kept-programmes",
  async up(db) {
    await db.raw(`CREATE TABLE kept_programme (
      id INTEGER PRIMARY KEY,
      key TEXT NOT NULL UNIQUE,
      site_id INTEGER NOT NULL REFERENCES site(id) ON DELETE CASCADE,
      name TEXT NOT NULL,
      version INTEGER NOT NULL,
      kept_at_ms INTEGER NOT NULL,
      made_in TEXT NOT NULL,
      programme TEXT NOT NULL,
      actor TEXT NOT NULL,
      UNIQUE (site_id, name, version)
    )`);
  },
};
