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
export const QUIET_LOOP_MS = 52;

const MS = { µs: 0.001, ms: 1, s: 1000 };
const show = (number) => (number >= 100 ? number.toFixed(0) : number.toPrecision(3));

/**
 * One line of the table.
 *
 * @param peer `{ name, value }`, measured beside it in the same unit
 * @param mostTimes how many times as long as its peer it may take where the figure alone swings with the machine: then it is a
 *   miss only if both are missed
 */
export function figure(work, value, unit, target, peer, mostTimes) {
  const times = peer ? value / peer.value : NaN;
  const isOver = value > target && !(mostTimes !== undefined && times <= mostTimes);
  rows.push({
    work,
    figure: `${show(value)} ${unit}`,
    target: `≤ ${show(target)} ${unit}${mostTimes === undefined ? "" : `, or ${mostTimes.toPrecision(3)} ×`}`,
    beside: peer ? `${peer.name} ${show(peer.value)} ${unit}` : "–",
    ratio: peer ? times.toFixed(2) : "–",
    miss: isOver ? "MISS" : value > target ? "by the ratio" : "",
  });
  // The whole table comes at the end; what is known stands here, should a later figure fail.
  const { figure: found, target: most, miss } = rows.at(-1);
  console.log(`${work}: ${found} (${most}) ${miss}`);
}

/**
 * One line of the table that swings with the machine, which is looked at right after it.
 *
 * @param bearing what of the machine bears on it, a name of `bare` in `machine.mjs`
 * @param quietMs how long that takes on a quiet machine, where the target holds: on a slower one the figure may be as much longer
 */
export async function swinging(work, value, unit, target, bearing, quietMs) {
  const nowMs = await bare[bearing]();
  looks.push({ bearing, ms: nowMs });
  figure(work, value, unit, target, { name: bearing, value: nowMs / MS[unit] }, target / (quietMs / MS[unit]));
}

/** What the machine was like at every look, fastest, median and slowest, ms. */
export function machineTable() {
  return Object.fromEntries(
    Object.keys(bare).flatMap((name) => {
      const times = looks.filter(({ bearing }) => bearing === name).map(({ ms }) => ms);
      if (times.length === 0) return [];
      const [fastest, median, slowest] = [0, 0.5, 1].map((share) =>
        Number(percentile(times, share || 1e-9).toFixed(2)),
      );
      return [[name, { looks: times.length, fastest, median, slowest }]];
    }),
  );
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
