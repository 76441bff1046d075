import type { Migration } from "./migration.ts";

/** What the rules of a place allow of nutrients on a hectare in a year. */
export const nutrientRules: Migration = {
  name: "037-nutrient-rules",
  async up(db) {
    await db.raw(`CREATE TABLE nutrient_rules (
      site_id INTEGER PRIMARY KEY REFERENCES site(id) ON DELETE CASCADE,
      version INTEGER NOT NULL,
      rules TEXT NOT NULL,
      actor TEXT NOT NULL
    )`);
  },
};
