import { createHash } from "node:crypto";
import {
  chmodSync,
  closeSync,
  copyFileSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  readSync,
  renameSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { createRequire } from "node:module";
import { basename, join } from "node:path";
import type Database from "libsql";
import { StartError } from "./disk-fault.ts";
import { lockFolder } from "./lock-folder.ts";
import { DATABASE_FILE, isNewer } from "./open-database.ts";

const LibsqlDatabase = createRequire(import.meta.url)("libsql") as typeof Database;

export const BACKUPS = "backups";
/** Of the backups in a folder, the newest so many are kept. */
export const KEPT_BACKUPS = 7;
const NAME = /^sprunel-\d{4}-\d\d-\d\dT\d\d-\d\d-\d\dZ\.db$/;
/** Records of a person's own work: nobody else reads them. */
const OWNER_ONLY = 0o600;

/**
 * Writes a whole copy of a data folder's database, also while it is in use, with its checksum beside it.
 *
 * @returns the file that was written
 */
export function writeBackup(dataFolder: string, to: string, nowMs: number, kept = KEPT_BACKUPS): string {
  const source = join(dataFolder, DATABASE_FILE);
  if (!existsSync(source)) throw new StartError(`There is no database in ${dataFolder}; nothing was copied.`);
  mkdirSync(to, { recursive: true, mode: 0o700 });
  const file = join(to, `sprunel-${new Date(nowMs).toISOString().slice(0, 19).replaceAll(":", "-")}Z.db`);
  const part = `${file}.part`;
  for (const name of readdirSync(to)) if (name.endsWith(".part")) rmSync(join(to, name), { force: true });
  const db = new LibsqlDatabase(source);
  try {
    db.exec("PRAGMA busy_timeout = 10000");
    db.exec(`VACUUM INTO '${part.replaceAll("'", "''")}'`);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  } finally {
    db.close();
  }
  chmodSync(part, OWNER_ONLY);
  writeFileSync(`${file}.sha256`, `${checksum(part)}  ${basename(file)}\n`, { mode: OWNER_ONLY });
  toDisk(part);
  // Under its own name it is whole.
  renameSync(part, file);
  for (const old of backupsIn(to).slice(0, -kept)) {
    rmSync(join(to, old), { force: true });
    rmSync(join(to, `${old}.sha256`), { force: true });
  }
  return file;
}

/** The oldest first. */
export function backupsIn(folder: string): string[] {
  return existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => NAME.test(name))
        .sort()
    : [];
}

/**
 * Puts a backup in the place of a data folder, which is kept under another name.
 *
 * @returns where the old folder is kept; null where there was none
 * @throws {StartError} for a backup that is damaged or newer than this program, and while the folder is in use
 */
export function restoreBackup(file: string, dataFolder: string, nowMs: number): string | null {
  if (!existsSync(file)) throw new StartError(`There is no file ${file}; nothing was changed.`);
  const noted = existsSync(`${file}.sha256`) ? readFileSync(`${file}.sha256`, "utf8").split(/\s/)[0] : undefined;
  if (noted !== undefined && noted !== checksum(file))
    throw new StartError(
      `${file} is not as it was written: its checksum differs. Nothing was changed; try an older one.`,
    );
  checkWhole(file);
  const stamp = new Date(nowMs).toISOString().slice(0, 19).replaceAll(":", "-");
  const fresh = `${dataFolder}.restoring`;
  rmSync(fresh, { recursive: true, force: true });
  mkdirSync(fresh, { recursive: true, mode: 0o700 });
  copyFileSync(file, join(fresh, DATABASE_FILE));
  chmodSync(join(fresh, DATABASE_FILE), OWNER_ONLY);
  toDisk(join(fresh, DATABASE_FILE));
  const old = existsSync(dataFolder) ? `${dataFolder}.before-${stamp}` : null;
  if (old !== null) {
    lockFolder(dataFolder)();
    renameSync(dataFolder, old);
  }
  renameSync(fresh, dataFolder);
  return old;
}

/** @throws {StartError} where the file is no whole database of this program */
function checkWhole(file: string): void {
  let findings: unknown;
  let newer = false;
  try {
    const db = new LibsqlDatabase(file);
    try {
      findings = (db.prepare("PRAGMA integrity_check").get() as { integrity_check?: unknown }).integrity_check;
      const names = db.prepare("SELECT name FROM knex_migrations").all() as { name: string }[];
      newer = isNewer(names.map(({ name }) => name));
    } finally {
      db.close();
    }
  } catch (cause) {
    throw new StartError(`${file} is damaged or no backup of this program. Nothing was changed.`, { cause });
  } finally {
    for (const beside of ["-wal", "-shm"]) rmSync(`${file}${beside}`, { force: true });
  }
  if (findings !== "ok") throw new StartError(`${file} is damaged. Nothing was changed; try an older one.`);
  if (newer)
    throw new StartError(`${file} was written by a newer Sprunel. Update the program first; nothing was changed.`);
}

/** SHA-256 of a file of any size, in hex. */
function checksum(file: string): string {
  const hash = createHash("sha256");
  const piece = Buffer.alloc(1 << 20);
  const handle = openSync(file, "r");
  try {
    for (let length = readSync(handle, piece); length > 0; length = readSync(handle, piece))
      hash.update(piece.subarray(0, length));
  } finally {
    closeSync(handle);
  }
  return hash.digest("hex");
}

function toDisk(file: string): void {
  const handle = openSync(file, "r+");
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}
