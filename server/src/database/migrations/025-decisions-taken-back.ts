import type { Migration } from "./migration.ts";

/** A decision is sent once under its key, and can be taken back. */
export const decisionsTakenBack: Migration = {
  name: "025-decisions-taken-back",
  async up(db) {
    await db.raw("ALTER TABLE decision ADD COLUMN key TEXT");
    await db.raw("ALTER TABLE decision ADD COLUMN taken_back_at_ms INTEGER");
    await db.raw("CREATE UNIQUE INDEX decision_key ON decision (key)");
  },
};
