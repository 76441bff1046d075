import type { Knex } from "knex";

/**
 * Does many writes that only count together: none of them waits for the disk, all are on it when this returns. Whoever is
 * ended in the midst keeps what was committed; where the machine itself loses power, the last of it may be missing.
 */
export async function atOnceOnDisk(db: Knex, work: () => Promise<void>): Promise<void> {
  await db.raw("PRAGMA synchronous = NORMAL");
  try {
    await work();
  } finally {
    await db.raw("PRAGMA synchronous = FULL");
    await db.raw("PRAGMA wal_checkpoint(TRUNCATE)");
  }
}
