import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { root } from "../prepare.mjs";

const PORT = 5189;
export const url = `http://127.0.0.1:${PORT}`;
export const folder = mkdtempSync(join(tmpdir(), "sprunel-bench-"));
export const rows = [];

export function figure(work, value, unit, target, peer) {
  const show = (number) => (number >= 100 ? number.toFixed(0) : number.toPrecision(3));
  rows.push({
    work,
    figure: `${show(value)} ${unit}`,
    target: `≤ ${target} ${unit}`,
    peer: peer ? `${peer.name} ${show(peer.value)} ${unit}` : "–",
    ratio: peer ? (value / peer.value).toFixed(2) : "–",
    miss: value > target ? "MISS" : "",
  });
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
