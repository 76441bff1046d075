import { createRequire } from "node:module";
import { join } from "node:path";
import knex, { type Knex } from "knex";
import { migrations } from "./migrations/index.ts";

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
}

/** What every connection must answer; synchronous 2 is FULL: a commit is on the disk before it is acknowledged. */
const EXPECTED_PRAGMAS = { journal_mode: "wal", foreign_keys: 1, synchronous: 2 } as const;

/** Opens a data folder's database, brings it up to date and makes sure that it keeps what it is given. */
export async function openDatabase(folder: string): Promise<Knex> {
  const db = knex({
    client: LibsqlClient,
    connection: { filename: join(folder, "sprunel.db") },
    useNullAsDefault: true,
    // A wait this long means that code inside a transaction asks for a second connection.
    acquireConnectionTimeout: 10_000,
    pool: {
      min: 1,
      max: 1,
      afterCreate: (connection: RawConnection, done: (error: unknown, connection: RawConnection) => void) => {
        connection.exec(
          "PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; PRAGMA foreign_keys = ON; PRAGMA busy_timeout = 5000; PRAGMA cache_size = -65536",
        );
        done(null, connection);
      },
    },
  });
  for (const [pragma, expected] of Object.entries(EXPECTED_PRAGMAS)) {
    const [row] = await db.raw<Record<string, unknown>[]>(`PRAGMA ${pragma}`);
    const value = row && Object.values(row)[0];
    if (value !== expected) throw new Error(`the database answers ${pragma} = ${String(value)}, not ${expected}`);
  }
  await db.migrate.latest({ migrationSource: migrations });
  return db;
}

/** Folds the write-ahead log into the database file and closes it. */
export async function closeDatabase(db: Knex): Promise<void> {
  await db.raw("PRAGMA wal_checkpoint(TRUNCATE)");
  await db.destroy();
}
