// Figures, each with its target and, where there is one, a peer measured in the same run. Misses are marked; nothing fails.
import { spawn } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { constants, gzipSync } from "node:zlib";
import { chromium } from "@playwright/test";
import { build, install, root } from "./prepare.mjs";

install();
build();
const { dayPlan, lateral, lpSolver, recipe, referenceEt } = await import("../core/dist/index.js");
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

async function start(program = "demo/dist/main.js", data = folder) {
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
figure("morning board of the demo over HTTP, p95", percentile(boards, 0.95), "ms", 100, {
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
const notebook = JSON.stringify({
  list: "readings",
  fileName: "notebook.csv",
  contentBase64: Buffer.from(longNotebook(1000)).toString("base64"),
  choices: {},
});
const looked = [];
for (let run = 0; run < 5; run++)
  looked.push(
    await timed(async () => {
      const answer = await fetch(`${url}/api/lists/previews`, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: notebook,
      });
      const { counts } = await answer.json();
      if (counts.accepted !== 1000) throw new Error(`the preview read ${counts.accepted} of 1000 rows`);
    }),
  );
figure("preview of a reading file of 1000 rows, median", percentile(looked, 0.5), "ms", 300);
figure("import of 60 days of hourly weather", importMs, "ms", 1000, {
  name: "bare inserts, one commit",
  value: await bareInserts(),
});
await inTheBrowser();
await stop(second.child);
await manyZones();

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

const tape = {
  lengthM: 250,
  insideDiameterMm: 20,
  emitterSpacingM: 0.5,
  emitter: { flowLh: 1.6, atKpa: 100, exponent: 0.48, cv: 0.04 },
  inletKpa: 120,
  temperatureC: 20,
};
const solvedLaterals = [];
for (let round = 0; round < 60; round++) solvedLaterals.push(await timed(() => lateral(tape)));
figure("lateral of 500 emitters, warm, p95", percentile(solvedLaterals.slice(10), 0.95), "ms", 5);

const nursery = {
  pump: { maxLh: 13_000 },
  mixers: ["a", "b"].map((id) => ({ id, maxLh: 8000, rinseMin: 3 })),
  zones: Array.from({ length: 40 }, (_, at) => ({
    id: `zone ${at}`,
    litres: 1500 + ((at * 977) % 2500),
    flowLh: 2500 + ((at * 1409) % 3000),
    recipeId: `recipe ${at % 4}`,
    windows: [{ start: "07:00", end: "18:00" }],
    pulses: 8,
    minGapMin: 20,
    priority: 1 + (at % 3),
  })),
};
figure("day plan of 40 zones × 8 pulses, first plan", await timed(() => dayPlan(nursery, () => false)), "ms", 300);
const until = performance.now() + 3000;
figure("the same after 3 s, gap to its bound", dayPlan(nursery, () => performance.now() < until).gapPct, "%", 2);

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

/** What a person waits for at the screen, in Debian's Chromium. */
/** A notebook of so many rows, three a day. */
function longNotebook(rows) {
  const lines = ["Zone,When,EC feed (mS/cm),EC drain (mS/cm),pH drain,Drain share %"];
  for (let row = 0; row < rows; row++) {
    const day = new Date(Date.UTC(2024, 0, 1 + Math.floor(row / 3))).toISOString().slice(0, 10);
    lines.push(
      `Melon bags,${day} ${8 + 3 * (row % 3)}:00,2.4,${(3 + (row % 7) / 10).toFixed(2)},6.1,${20 + (row % 9)}`,
    );
  }
  return lines.join("\n");
}

async function inTheBrowser() {
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-background-networking"],
  });
  const shown = [];
  for (let round = 0; round < 6; round++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.goto(url, { waitUntil: "commit" });
    await page.locator("[data-figure=litres]").first().waitFor();
    shown.push((await page.evaluate(() => performance.now())) / 1000);
    await context.close();
  }
  // The first visit also starts the browser's own processes.
  figure("first screen, from address to the board's figures, median", percentile(shown.slice(1), 0.5), "s", 1.5);

  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${url}/zones/1/feed`);
  await page.getByRole("region", { name: "Tank A" }).waitFor();
  figure("recipe, from key to new picture, p95", percentile(await keyToPicture(page), 0.95), "ms", 100);
  await page.goto(url);
  await page.locator("[data-figure=litres]").first().waitFor();
  figure("drain reading, from key to saved, p95", percentile(await keyToSaved(page), 0.95), "ms", 200);
  await browser.close();
}

/** Digits typed into a target, each until the delivered amount beside it has changed on the screen. */
async function keyToPicture(page) {
  const input = page.getByLabel("Target of K in mmol/L");
  const times = [];
  for (let round = 0; round < 24; round++) {
    // Never the same number twice: a question that was solved before is answered from memory.
    await input.fill((7 + round / 50).toFixed(2));
    await page.waitForTimeout(150);
    times.push(
      await input.evaluate(
        (element, digit) =>
          new Promise((resolve) => {
            const shown = element.closest("[role=row], tr, li") ?? document.body;
            const before = shown.textContent;
            const start = performance.now();
            const look = () =>
              shown.textContent === before ? requestAnimationFrame(look) : resolve(performance.now() - start);
            Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(element, digit);
            element.dispatchEvent(new Event("input", { bubbles: true }));
            requestAnimationFrame(look);
          }),
        (8.2 + round / 50).toFixed(2),
      ),
    );
  }
  return times.slice(4);
}

/** Enter in the log of a reading, until the server has answered that it is kept. */
async function keyToSaved(page) {
  const times = [];
  for (let round = 0; round < 12; round++) {
    await page.keyboard.press("l");
    const share = page.getByLabel("Drain share");
    await share.fill("25");
    const kept = page.waitForResponse((answer) => answer.url().endsWith("/readings") && answer.status() === 201);
    times.push(
      await timed(async () => {
        await page.keyboard.press("Enter");
        await kept;
      }),
    );
    await share.waitFor({ state: "detached" });
  }
  return times.slice(2);
}

/** The board of a large nursery: 60 zones, each with a moisture probe read every five minutes for three years. */
async function manyZones() {
  const data = mkdtempSync(join(tmpdir(), "sprunel-bench-large-"));
  const zones = 60;
  const { child } = await start("demo/dist/main.js", data);
  const { zones: known } = await (await fetch(`${url}/api/set-up`)).json();
  for (let at = known.length; at < zones; at++) {
    const { id: _id, version: _version, ...like } = known[at % known.length];
    const answer = await fetch(`${url}/api/zones`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ ...like, name: `Zone ${at + 1}` }),
    });
    if (!answer.ok) throw new Error(`zone ${at + 1} was refused: ${await answer.text()}`);
  }
  await stop(child);
  const db = new Database(join(data, "sprunel.db"));
  db.exec("PRAGMA synchronous = OFF");
  const perZone = 3 * 365 * 288;
  const insert = db.prepare(
    `WITH RECURSIVE step (at) AS (SELECT 0 UNION ALL SELECT at + 1 FROM step LIMIT ${perZone})
     INSERT INTO zone_reading SELECT ?, 'moisturePct', ? - at * 300000, 'probe', 30 + at % 20 FROM step ORDER BY at DESC`,
  );
  const now = Math.floor(Date.now() / 300_000) * 300_000;
  for (let zone = 1; zone <= zones; zone++) insert.run(zone, now);
  db.close();
  const again = await start("demo/dist/main.js", data);
  await board();
  const times = [];
  for (let round = 0; round < 30; round++) times.push(await timed(board));
  figure(
    `morning board, ${zones} zones, ${((zones * perZone) / 1e6).toFixed(1)} million readings, p95`,
    percentile(times, 0.95),
    "ms",
    100,
  );
  const setUps = [];
  for (let round = 0; round < 20; round++)
    setUps.push(await timed(async () => (await fetch(`${url}/api/set-up`)).text()));
  figure(`set-up of ${zones} zones, p95`, percentile(setUps, 0.95), "ms", 200);
  await stop(again.child);
  rmSync(data, { recursive: true, force: true });
}

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
