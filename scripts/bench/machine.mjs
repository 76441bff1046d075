// What the machine is like: the bare work that figures are made of, measured right after each of them.
import { fork } from "node:child_process";
import { createServer } from "node:http";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import Database from "libsql";

const ROUNDS = 200;
const LOOP = 20_000_000;

const here = fileURLToPath(import.meta.url);
// As a child of its own it is the bare server.
if (process.argv[1] === here)
  createServer((_request, answer) => answer.setHeader("Content-Type", "application/json").end("{}")).listen(
    0,
    "127.0.0.1",
    function listening() {
      process.send(this.address().port);
    },
  );

const p95 = (values) => [...values].sort((a, b) => a - b)[Math.ceil(0.95 * values.length) - 1];

async function timed(work) {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

/** An answer without content from another process over HTTP, p95, ms. */
async function emptyAnswer() {
  const child = fork(here);
  const port = await new Promise((resolve) => child.once("message", resolve));
  const ask = async () => (await fetch(`http://127.0.0.1:${port}/`)).text();
  const times = [];
  for (let round = 0; round < ROUNDS; round++) times.push(await timed(ask));
  child.kill();
  return p95(times.slice(ROUNDS / 2));
}

/** One row that is on the disk when its commit returns, p95, ms. */
async function bareInsert() {
  const folder = mkdtempSync(join(tmpdir(), "sprunel-machine-"));
  const db = new Database(join(folder, "bare.db"));
  db.exec("PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; CREATE TABLE t (id INTEGER PRIMARY KEY, v REAL)");
  const insert = db.prepare("INSERT INTO t (v) VALUES (?)");
  const times = [];
  for (let round = 0; round < ROUNDS; round++) times.push(await timed(() => insert.run([round])));
  db.close();
  rmSync(folder, { recursive: true, force: true });
  return p95(times.slice(ROUNDS / 2));
}

/** Twenty million sums of one thread, warm, ms. */
async function bareLoop() {
  const numbers = new Float64Array(1024).fill(0.5);
  const run = () => {
    let sum = 0;
    for (let at = 0; at < LOOP; at++) sum = sum * 0.999 + numbers[at & 1023];
    return sum;
  };
  run();
  return Math.min(await timed(run), await timed(run), await timed(run));
}

/** What a figure may bear on, each measured when it is asked for, ms. */
export const bare = { "empty answer": emptyAnswer, "bare insert": bareInsert, "bare loop": bareLoop };
