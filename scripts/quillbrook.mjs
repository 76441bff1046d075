// Makes a data folder as the demo's first start leaves it, for tests to copy: node scripts/quillbrook.mjs FOLDER
import { spawn } from "node:child_process";
import { mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { root } from "./prepare.mjs";

/** 06:10 on the first morning at Quillbrook. */
const FIRST_MORNING = "2026-06-16T04:10:00Z";

const [folder] = process.argv.slice(2);
if (!folder) throw new Error("Name a folder.");
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const child = spawn(process.execPath, [join(root, "demo/dist/main.js")], {
  env: { ...process.env, PORT: "0", SPRUNEL_DATA: folder, SPRUNEL_NOW: FIRST_MORNING },
  stdio: ["ignore", "pipe", "inherit"],
});
const gone = new Promise((resolve) => child.once("exit", resolve));
child.stdout.on("data", (chunk) => {
  if (chunk.toString().includes("is ready")) child.kill("SIGTERM");
});
process.exit((await gone) ?? 1);
