import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { root } from "../prepare.mjs";
import { bare } from "./machine.mjs";

const PORT = 5189;
export const url = `http://127.0.0.1:${PORT}`;
export const folder = mkdtempSync(join(tmpdir(), "sprunel-bench-"));
export const rows = [];
const looks = [];
/** How long the bare loop takes on the machine that the targets were set on, with nothing beside it, ms. */
const QUIET_LOOP_MS = 52;
/** What of the machine bears on every time. */
const BEARING = "bare loop";

const MS = { µs: 0.001, ms: 1, s: 1000 };
const show = (number) => (number >= 100 ? number.toFixed(0) : number.toPrecision(3));

/**
 * One line of the table. A time without a peer swings with the machine, so the bare loop is measured right after it: where that
 * takes longer than on a quiet machine, the figure may be as much longer, and is a miss only if both are missed.
 *
 * @param peer `{ name, value }`, measured beside it in the same unit
 */
export async function figure(work, value, unit, target, peer) {
  const swings = unit in MS && peer === undefined;
  const beside = swings ? { name: BEARING, value: (await look()) / MS[unit] } : peer;
  const times = beside ? value / beside.value : NaN;
  const mostTimes = swings ? target / (QUIET_LOOP_MS / MS[unit]) : Infinity;
  const isOver = value > target && !(swings && times <= mostTimes);
  rows.push({
    work,
    figure: `${show(value)} ${unit}`,
    target: `≤ ${show(target)} ${unit}${swings ? `, or ${mostTimes.toPrecision(3)} ×` : ""}`,
    beside: beside ? `${beside.name} ${show(beside.value)} ${unit}` : "–",
    ratio: beside ? times.toFixed(2) : "–",
    miss: isOver ? "MISS" : value > target ? "by the ratio" : "",
  });
  // The whole table comes at the end; what is known stands here, should a later figure fail.
  const { figure: found, target: most, miss } = rows.at(-1);
  console.log(`${work}: ${found} (${most}) ${miss}`);
}

async function look() {
  const ms = await bare[BEARING]();
  looks.push(ms);
  return ms;
}

/** What the machine was like: the bare loop at every look, and what an empty answer and a bare insert take now, ms. */
export async function machineTable() {
  const [fastest, median, slowest] = [1e-9, 0.5, 1].map((share) => Number(percentile(looks, share).toFixed(2)));
  return {
    [BEARING]: { looks: looks.length, fastest, median, slowest },
    "empty answer": { median: Number((await bare["empty answer"]()).toFixed(2)) },
    "bare insert": { median: Number((await bare["bare insert"]()).toFixed(2)) },
  };
}

export function percentile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)];
}

export async function timed(work) {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

export async function start(program = "demo/dist/main.js", data = folder) {
  const child = spawn(process.execPath, [join(root, program)], {
    env: { ...process.env, PORT: String(PORT), SPRUNEL_DATA: data },
    stdio: ["ignore", "ignore", "inherit"],
  });
  const seconds =
    (await timed(async () => {
      for (;;) {
        const answer = await fetch(`${url}/api/health`).catch(() => null);
        if (answer?.ok) return;
        await new Promise((resolve) => setTimeout(resolve, 25));
      }
    })) / 1000;
  return { child, seconds };
}

export async function stop(child) {
  const gone = new Promise((resolve) => child.once("exit", resolve));
  child.kill("SIGTERM");
  await gone;
}

export const board = async () => (await fetch(`${url}/api/board`)).text();

/** Sends JSON; the answer must be good. */
export async function send(method, path, body) {
  const answer = await fetch(url + path, {
    method,
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  return answer;
}
