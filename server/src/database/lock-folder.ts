import { mkdirSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";
import type Database from "libsql";

const LibsqlDatabase = createRequire(import.meta.url)("libsql") as typeof Database;

/** Another process already writes to this data folder. */
export class FolderInUseError extends Error {
  override readonly name = "FolderInUseError";
}

/**
 * Makes this process the only one that writes a data folder.
 *
 * The lock file is a database held by an open exclusive transaction: the operating system itself lets go of it when the
 * process ends, however it ends, so that a crash never leaves a stale lock behind.
 *
 * @returns the way to let go
 * @throws {FolderInUseError}
 */
export function lockFolder(folder: string): () => void {
  mkdirSync(folder, { recursive: true });
  const lock = new LibsqlDatabase(join(folder, "sprunel.lock"));
  try {
    lock.exec("PRAGMA locking_mode = EXCLUSIVE; BEGIN EXCLUSIVE; CREATE TABLE IF NOT EXISTS held (since TEXT)");
  } catch (cause) {
    lock.close();
    throw new FolderInUseError(
      `The data folder ${folder} is in use by another Sprunel. Stop that one, or name another folder in SPRUNEL_DATA.`,
      { cause },
    );
  }
  return () => lock.close();
}
