import { createRequire } from "node:module";
import { join } from "node:path";
import type Database from "libsql";
import { writeBackup } from "./backup.ts";
import { DATABASE_FILE } from "./open-database.ts";
import type { Upkeep, UpkeepOutcome } from "./upkeep.ts";

const LibsqlDatabase = createRequire(import.meta.url)("libsql") as typeof Database;

/** What takes long on a large database, beside the thread that answers. */
export default function work(upkeep: Upkeep): UpkeepOutcome {
  try {
    if (upkeep.kind === "backup") writeBackup(upkeep.dataFolder, upkeep.to, upkeep.nowMs);
    else check(upkeep.dataFolder);
    return { ok: true };
  } catch (error) {
    const code = error instanceof Error && "code" in error ? String(error.code) : "";
    return { ok: false, code, message: error instanceof Error ? error.message : String(error) };
  }
}

/** Every page of the database, that it holds what SQLite wrote into it. */
function check(dataFolder: string): void {
  const db = new LibsqlDatabase(join(dataFolder, DATABASE_FILE));
  try {
    const row = db.prepare("PRAGMA quick_check(1)").get() as { quick_check?: unknown } | undefined;
    if (row?.quick_check !== "ok") throw Object.assign(new Error(String(row?.quick_check)), { code: "SQLITE_CORRUPT" });
  } finally {
    db.close();
  }
}
