import { chmodSync, closeSync, openSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";
import knex, { type Knex } from "knex";
import { StartError } from "./disk-fault.ts";
import { MIGRATION_NAMES, migrations } from "./migrations/index.ts";
import { beginRowNotes } from "./row-notes.ts";
import { keepStatements } from "./statement-cache.ts";

const require = createRequire(import.meta.url);
const BetterSqlite3Client = require("knex/lib/dialects/better-sqlite3/index.js") as typeof Knex.Client;

/** Knex's better-sqlite3 dialect over libsql, which speaks the same interface and ships its binary in the package. */
class LibsqlClient extends BetterSqlite3Client {
  _driver(): unknown {
    return require("libsql");
  }
}

interface RawConnection {
  exec(sql: string): void;
  prepare(sql: string): object;
}

export const DATABASE_FILE = "sprunel.db";

/** Whether a database knows steps that this program does not. */
export function isNewer(migrated: readonly string[]): boolean {
  const known = new Set(MIGRATION_NAMES);
  return migrated.some((name) => !known.has(name));
}

/** What every connection must answer; synchronous 2 is FULL: a commit is on the disk before it is acknowledged. */
const EXPECTED_PRAGMAS = { journal_mode: "wal", foreign_keys: 1, synchronous: 2 } as const;

/**
 * Opens a data folder's database, brings it up to date and makes sure that it keeps what it is given. Only its owner reads it.
 *
 * @throws {StartError} for a database that a newer program has written
 */
export async function openDatabase(folder: string): Promise<Knex> {
  const file = join(folder, DATABASE_FILE);
  closeSync(openSync(file, "a", 0o600));
  chmodSync(file, 0o600);
  const db = knex({
    client: LibsqlClient,
    connection: { filename: file },
    useNullAsDefault: true,
    // What goes wrong is told by whoever asked, in words.
    log: { warn: () => undefined, error: () => undefined },
    // Longer than a long import holds the one connection; a wait beyond means that code inside a transaction asks for a second one.
    acquireConnectionTimeout: 60_000,
    pool: {
      min: 1,
      max: 1,
      afterCreate: (connection: RawConnection, done: (error: unknown, connection: RawConnection) => void) => {
        connection.exec(
          "PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; PRAGMA foreign_keys = ON; PRAGMA busy_timeout = 5000; PRAGMA cache_size = -65536; PRAGMA temp_store = MEMORY",
        );
        keepStatements(connection);
        done(null, connection);
      },
    },
  });
  for (const [pragma, expected] of Object.entries(EXPECTED_PRAGMAS)) {
    const [row] = await db.raw<Record<string, unknown>[]>(`PRAGMA ${pragma}`);
    const value = row && Object.values(row)[0];
    if (value !== expected) throw new Error(`the database answers ${pragma} = ${String(value)}, not ${expected}`);
  }
  if (await db.schema.hasTable("knex_migrations")) {
    const migrated = await db<{ name: string }>("knex_migrations").select("name");
    if (isNewer(migrated.map(({ name }) => name))) {
      await db.destroy();
      throw new StartError(
        `The data in ${folder} was written by a newer Sprunel. Update this program, or name another folder in SPRUNEL_DATA; nothing was changed.`,
      );
    }
  }
  await db.migrate.latest({ migrationSource: migrations });
  await beginRowNotes(db);
  return db;
}

/** Folds the write-ahead log into the database file and closes it. */
export async function closeDatabase(db: Knex): Promise<void> {
  await db.raw("PRAGMA wal_checkpoint(TRUNCATE)");
  await db.destroy();
}
