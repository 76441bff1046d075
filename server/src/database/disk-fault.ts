type Kind = "full" | "read-only" | "damaged" | "busy" | "unreachable";

/** Something between the program and its data folder that a person can mend. */
export interface DiskFault {
  readonly kind: Kind;
  readonly words: string;
}

const WORDS: Readonly<Record<Kind, string>> = {
  full: "The disk is full, and nothing more can be stored. Free some space; the program goes on by itself then.",
  "read-only":
    "The data folder cannot be written. Give this program the right to write it, or name another folder in SPRUNEL_DATA.",
  damaged:
    "The database file is damaged. Stop the program and restore a backup: npm run restore FILE; backups are in the data folder under backups.",
  busy: "The database is held by other work just now: a site that is being read, or another program. Wait a moment, or close that program, and try again.",
  unreachable: "The data folder cannot be reached. Is its disk there? Or name another folder in SPRUNEL_DATA.",
};

/** By the first part of SQLite's and the system's own codes. */
const KINDS: readonly (readonly [code: string, kind: Kind])[] = [
  ["SQLITE_FULL", "full"],
  ["ENOSPC", "full"],
  ["EDQUOT", "full"],
  ["SQLITE_READONLY", "read-only"],
  ["SQLITE_PERM", "read-only"],
  ["SQLITE_AUTH", "read-only"],
  ["EACCES", "read-only"],
  ["EPERM", "read-only"],
  ["EROFS", "read-only"],
  ["SQLITE_CORRUPT", "damaged"],
  ["SQLITE_NOTADB", "damaged"],
  ["SQLITE_BUSY", "busy"],
  ["SQLITE_LOCKED", "busy"],
  ["SQLITE_CANTOPEN", "unreachable"],
  ["SQLITE_IOERR", "unreachable"],
  ["EIO", "unreachable"],
  ["ENOENT", "unreachable"],
  ["ENOTDIR", "unreachable"],
];

/** @returns null for an error that is none of the disk's */
export function diskFault(error: unknown): DiskFault | null {
  if (!(error instanceof Error)) return null;
  const code = "code" in error && typeof error.code === "string" ? error.code : "";
  const known = KINDS.find(([start]) => code.startsWith(start))?.[1] ?? byName(error);
  if (known) return { kind: known, words: WORDS[known] };
  return error.cause === undefined ? null : diskFault(error.cause);
}

/** What comes without a code. */
function byName(error: Error): Kind | false {
  // Another piece of work of this program has the one connection for longer than anybody waits.
  if (error.name === "KnexTimeoutError") return "busy";
  // The driver tells a file that it cannot open by its number alone.
  return /: 14"?\)?$/.test(error.message) && "unreachable";
}

/** Said in the words of whoever starts the program. */
export class StartError extends Error {
  override readonly name = "StartError";
}
