// What the tests of server and demo stand on: the built worker of the pool, and an empty database to copy.
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { build, root } from "./prepare.mjs";

/** @param project of Vitest */
export default async function setUp(project) {
  await build({ web: false });
  const { closeDatabase, DATABASE_FILE, openDatabase } = await import(
    join(root, "server/dist/database/open-database.js")
  );
  const folder = mkdtempSync(join(tmpdir(), "sprunel-empty-"));
  await closeDatabase(await openDatabase(folder));
  project.provide("emptyDatabase", join(folder, DATABASE_FILE));
  return () => rmSync(folder, { recursive: true, force: true });
}
