import { accessSync, chmodSync, closeSync, constants, existsSync, mkdirSync, openSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, join } from "node:path";
import type Database from "libsql";
import { diskFault } from "./disk-fault.ts";

const LibsqlDatabase = createRequire(import.meta.url)("libsql") as typeof Database;

/** Another process already writes to this data folder. */
export class FolderInUseError extends Error {
  override readonly name = "FolderInUseError";
}

/** Step by step: asked for all of it at once, Node never ends where a file system takes no new folder. */
function makeFolder(folder: string): void {
  if (existsSync(folder)) return;
  makeFolder(dirname(folder));
  mkdirSync(folder, { mode: 0o700 });
}

/**
 * Makes this process the only one that writes a data folder.
 *
 * The lock file is a database held by an open exclusive transaction: the operating system itself lets go of it when the
 * process ends, however it ends, so that a crash never leaves a stale lock behind.
 *
 * @returns the way to let go
 * @throws {FolderInUseError} and, where the folder cannot be written, the system's own error
 */
export function lockFolder(folder: string): () => void {
  makeFolder(folder);
  accessSync(folder, constants.W_OK);
  const file = join(folder, "sprunel.lock");
  closeSync(openSync(file, "a", 0o600));
  chmodSync(file, 0o600);
  const lock = new LibsqlDatabase(file);
  try {
    lock.exec("PRAGMA locking_mode = EXCLUSIVE; BEGIN EXCLUSIVE; CREATE TABLE IF NOT EXISTS held (since TEXT)");
  } catch (cause) {
    lock.close();
    if (diskFault(cause)?.kind !== "busy") throw cause;
    throw new FolderInUseError(
      `The data folder ${folder} is in use by another Sprunel. Stop that one, or name another folder in SPRUNEL_DATA.`,
      { cause },
    );
  }
  return () => lock.close();
}
