import { resolve } from "node:path";
import { join } from "node:path";
import { BACKUPS, KEPT_BACKUPS, restoreBackup, writeBackup } from "./database/backup.ts";
import { inWords } from "./run.ts";

const USAGE = `npm run backup [FOLDER]   copies the database, also while the program runs; the last ${KEPT_BACKUPS} copies of a folder are kept (KEEP changes that)
npm run restore FILE      puts a copy in the place of the data folder, which is kept under another name`;

/** What `npm run backup` and `npm run restore` do with the data folder. */
function main([command, name]: readonly string[]): void {
  const dataFolder = resolve(process.env["SPRUNEL_DATA"] ?? ".data/own");
  if (command === "backup") {
    const kept = Number(process.env["KEEP"] ?? KEPT_BACKUPS);
    if (!Number.isInteger(kept) || kept < 1)
      throw new Error(`KEEP must be a whole number from 1, not ${String(process.env["KEEP"])}.`);
    const file = writeBackup(
      dataFolder,
      name === undefined ? join(dataFolder, BACKUPS) : resolve(name),
      Date.now(),
      kept,
    );
    console.log(`Copied to ${file}, with its checksum beside it.`);
  } else if (command === "restore" && name !== undefined) {
    const old = restoreBackup(resolve(name), dataFolder, Date.now());
    console.log(`${dataFolder} now holds ${name}.${old === null ? "" : ` What stood there before is kept in ${old}.`}`);
  } else throw new Error(USAGE);
}

try {
  main(process.argv.slice(2));
} catch (error) {
  console.error(inWords(error));
  process.exit(1);
}
