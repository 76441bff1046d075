// Figures, each with its target and, where there is one, a peer measured in the same run. Misses are marked; nothing fails.
import { spawn } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { constants, gzipSync } from "node:zlib";
import { build, install, root } from "./prepare.mjs";

install();
build();
const { lpSolver, recipe, referenceEt } = await import("../core/dist/index.js");
const { default: loadHighs } = await import("highs");
const Database = (await import("libsql")).default;

const PORT = 5189;
const url = `http://127.0.0.1:${PORT}`;
const folder = mkdtempSync(join(tmpdir(), "sprunel-bench-"));
const rows = [];

function figure(work, value, unit, target, peer) {
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

function percentile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)];
}

async function timed(work) {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

async function start() {
  const child = spawn(process.execPath, [join(root, "demo/dist/main.js")], {
    env: { ...process.env, PORT: String(PORT), SPRUNEL_DATA: folder },
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

async function stop(child) {
  const gone = new Promise((resolve) => child.once("exit", resolve));
  child.kill("SIGTERM");
  await gone;
}

/** Scripts that a browser fetches before the board shows: what index.html names, and the board's own chunks. */
function firstScreenKb() {
  const assets = join(root, "web/dist/assets");
  const seen = new Set();
  const follow = (name) => {
    if (seen.has(name)) return;
    seen.add(name);
    const code = readFileSync(join(assets, name), "utf8");
    for (const match of code.matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)) follow(match[1]);
  };
  for (const match of readFileSync(join(root, "web/dist/index.html"), "utf8").matchAll(/assets\/([^"]+\.js)/g))
    follow(match[1]);
  for (const name of readdirSync(assets)) if (/^board-page-.*\.js$/.test(name)) follow(name);
  return (
    [...seen].reduce(
      (sum, name) => sum + gzipSync(readFileSync(join(assets, name)), { level: constants.Z_BEST_COMPRESSION }).length,
      0,
    ) / 1000
  );
}

figure("first screen, scripts before the board's figures (gzip -9)", firstScreenKb(), "kB", 300);

const first = await start();
figure("start of the demo, empty data folder (history is made)", first.seconds, "s", 120);
await stop(first.child);
const second = await start();
figure("start of the demo, second time", second.seconds, "s", 5);

const board = async () => (await fetch(`${url}/api/board`)).text();
await board();
const boards = [];
for (let round = 0; round < 60; round++) boards.push(await timed(board));
const health = [];
for (let round = 0; round < 60; round++)
  health.push(await timed(async () => (await fetch(`${url}/api/health`)).text()));
figure("morning board, two zones over HTTP, p95", percentile(boards, 0.95), "ms", 100, {
  name: "an empty answer",
  value: percentile(health, 0.95),
});

const body = JSON.stringify({
  fileName: "weather-iso.csv",
  contentBase64: readFileSync(join(root, "demo/imports/weather-iso.csv")).toString("base64"),
  choices: {},
});
const importMs = await timed(async () => {
  const answer = await fetch(`${url}/api/weather/imports`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body,
  });
  if (!answer.ok) throw new Error(`the import answered ${answer.status}`);
});
figure("import of 60 days of hourly weather", importMs, "ms", 1000, {
  name: "bare inserts, one commit",
  value: await bareInserts(),
});
await stop(second.child);

const ROUNDS = 20_000;
const uccle = { tMaxC: 21.5, tMinC: 12.3, rhMaxPct: 84, rhMinPct: 63, windMs: 2.78, windHeightM: 10, sunshineH: 9.25 };
const etMs = await timed(() => {
  for (let round = 0; round < ROUNDS; round++)
    referenceEt({
      method: "penman-monteith-daily",
      latitudeDeg: 50.8,
      elevationM: 100,
      date: "2026-07-06",
      weather: uccle,
    });
});
figure("reference evapotranspiration with its working", (etMs * 1000) / ROUNDS, "µs", 100);

const solver = lpSolver(await loadHighs());
let bare = 0;
const watched = (program) => {
  const begin = performance.now();
  const answer = solver(program);
  bare += performance.now() - begin;
  return answer;
};
const SHELF =
  "calcium-nitrate calcium-chloride-2w potassium-nitrate potassium-sulphate potassium-chloride monopotassium-phosphate monoammonium-phosphate magnesium-sulphate-7w magnesium-nitrate-6w ammonium-nitrate ammonium-sulphate nitric-acid-60 phosphoric-acid-75 iron-dtpa-6 manganese-sulphate-1w zinc-sulphate-7w copper-sulphate-5w boric-acid borax-10w sodium-molybdate-2w".split(
    " ",
  );
const question = {
  water: { ions: { Ca: 2.1, Mg: 0.6, Na: 0.9, K: 0.1, Cl: 0.8, SO4: 0.4, HCO3: 4.7 }, ph: 7.4, temperatureC: 15 },
  target: {
    ions: { NO3: 16, H2PO4: 1.5, SO4: 4.4, NH4: 1.2, K: 9.5, Ca: 5.4, Mg: 2.4, Fe: 25, Mn: 10, Zn: 5, B: 30, Cu: 0.75 },
    ph: 5.8,
  },
  products: SHELF.map((id) => ({ id })),
};
const solves = [];
const shares = [];
for (let round = 0; round < 60; round++) {
  bare = 0;
  const ms = await timed(() => void recipe(question, watched));
  if (round < 10) continue;
  solves.push(ms);
  shares.push(bare);
}
figure("recipe of 12 ions from 20 products in 2 tanks, warm, p95", percentile(solves, 0.95), "ms", 50, {
  name: "its bare solve times",
  value: percentile(shares, 0.95),
});

rmSync(folder, { recursive: true, force: true });
console.table(rows);

/** The same number of values into the same kind of table, without any reading, judging or comparing. */
async function bareInserts() {
  const db = new Database(join(folder, "peer.db"));
  db.exec(
    "PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; CREATE TABLE reading (kind TEXT, hour INTEGER, value REAL, PRIMARY KEY (hour, kind)) WITHOUT ROWID",
  );
  const insert = db.prepare("INSERT INTO reading VALUES (?, ?, ?)");
  const ms = await timed(() =>
    db.transaction(() => {
      for (let hour = 0; hour < 1377; hour++)
        for (const kind of ["t", "rh", "u", "rs", "p"]) insert.run(kind, hour, hour / 7);
    })(),
  );
  db.close();
  return ms;
}
