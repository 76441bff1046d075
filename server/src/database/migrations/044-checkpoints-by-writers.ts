import type { Migration } from "./migration.ts";

/** Whoever writes says which rows, and the transaction drops the midnights that rest on them: the database no longer does. */
export const checkpointsByWriters: Migration = {
  name: "044-checkpoints-by-writers",
  async up(db) {
    const triggers = await db.raw<{ name: string }[]>("SELECT name FROM sqlite_master WHERE type = 'trigger'");
    for (const { name } of triggers) if (name.startsWith("checkpoint_")) await db.raw("DROP TRIGGER ??", [name]);
  },
};
