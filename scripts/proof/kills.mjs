// Whether anything is lost or doubled when the program is killed while people write.
import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { createRequire } from "node:module";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { root } from "../prepare.mjs";

const SEED = 40;
const KILLS = 40;
/** So many write at once. */
const WRITERS = 4;
const LONGEST_MS = 400;
const FIRST_MS = Date.UTC(2026, 5, 1);

const Database = createRequire(join(root, "server/package.json"))("libsql");
const opened = (folder) => new Database(join(folder, "sprunel.db"));

async function served(folder) {
  const child = spawn(process.execPath, [join(root, "server/dist/main.js")], {
    env: { ...process.env, SPRUNEL_DATA: folder, PORT: "0", SPRUNEL_LOG: "silent" },
    stdio: ["ignore", "pipe", "inherit"],
  });
  const gone = new Promise((resolve) => child.once("exit", resolve));
  const url = await new Promise((resolve, reject) => {
    child.stdout.on("data", (chunk) => {
      const found = /http:\S+/.exec(chunk.toString());
      if (found) resolve(found[0]);
    });
    child.once("exit", (code) => reject(new Error(`the server ended with ${code} at its start`)));
  });
  const send = async (method, path, body) => {
    const answer = await fetch(url + path, {
      method,
      headers: { "Content-Type": "application/json" },
      ...(body && { body: JSON.stringify(body) }),
    });
    return { status: answer.status, body: await answer.json() };
  };
  return { child, gone, send };
}

const site = {
  ...{ name: "Killing Hill", latitudeDeg: 43.4, longitudeDeg: -1.5, elevationM: 60, timeZone: "Europe/Paris" },
  ...{ unitSystem: "metric", currency: "EUR", pumpLh: null, kwhPrice: null, dateForm: "dmy" },
};
const zone = {
  name: "Bags",
  house: { name: "House", transmissionPct: 60 },
  definition: {
    ...{ system: "substrate", areaM2: 100, plants: 200, flowLh: 400, uniformityPct: 90, startAfterSunriseMin: 60 },
    ...{ endBeforeSunsetMin: 60, minGapMin: 10, waterHeldLPlant: 5, easilyAvailablePct: 45, pulseSharePct: 4 },
  },
  ...{ unconfirmed: [], waters: [], layout: null, demand: null, plantings: [] },
};

export async function kills() {
  const [writes, starts] = [await killedWhileWriting(), await killedFirstStarts()];
  return writes && starts;
}

async function killedWhileWriting() {
  const folder = mkdtempSync(join(tmpdir(), "sprunel-kills-"));
  const next = random(SEED);
  const first = await served(folder);
  await first.send("POST", "/api/site", site);
  const { status } = await first.send("POST", "/api/zones", zone);
  if (status !== 201) throw new Error(`a zone was refused: ${status}`);
  first.child.kill("SIGTERM");
  await first.gone;

  /** by minute, whether it was acknowledged */
  const written = new Map();
  let minute = 0;
  for (let kill = 0; kill < KILLS; kill++) {
    const { child, gone, send } = await served(folder);
    let isOver = false;
    void gone.then(() => (isOver = true));
    let kills;
    await Promise.all(
      Array.from({ length: WRITERS }, async () => {
        while (!isOver) {
          const at = minute++;
          written.set(at, false);
          const reading = { at: new Date(FIRST_MS + at * 60_000).toISOString(), drainPct: 20, drainEcMsCm: 3 };
          const answer = await send("POST", "/api/zones/1/readings", reading).catch(() => null);
          if (!answer) return;
          if (answer.status !== 201) throw new Error(`a reading was answered with ${answer.status}`);
          written.set(at, true);
          // In the midst of what follows the first one that was stored.
          kills ??= setTimeout(() => child.kill("SIGKILL"), next() * LONGEST_MS);
        }
      }),
    );
    await gone;
  }
  const db = opened(folder);
  const rows = db.prepare("SELECT at_ms, COUNT(*) AS n FROM zone_reading GROUP BY at_ms").all();
  const [{ integrity_check: integrity }] = db.prepare("PRAGMA integrity_check").all();
  db.close();
  rmSync(folder, { recursive: true, force: true });
  const stored = new Map(rows.map(({ at_ms, n }) => [(at_ms - FIRST_MS) / 60_000, n]));
  const acknowledged = [...written].filter(([, isKnown]) => isKnown).map(([at]) => at);
  const lost = acknowledged.filter((at) => !stored.has(at));
  const uneven = [...stored.values()].filter((n) => n !== 2);
  console.table([
    {
      ...{ kills: KILLS, acknowledged: acknowledged.length, lost: lost.length, "doubled or half": uneven.length },
      ...{ "stored unacknowledged": stored.size - acknowledged.length + lost.length, integrity },
    },
  ]);
  return lost.length === 0 && uneven.length === 0 && integrity === "ok" && acknowledged.length > KILLS;
}

/** What the set-up of the demo writes, and what its history must not hold twice. */
const SET_UP = ["site", "source", "zone", "water_report", "zone_report", "source_dose", "shelf_item", "dose_record"];
const ONCE = [
  ["watering", "zone_id, start_ms"],
  ["zone_reading", "zone_id, kind, at_ms, source"],
  ["pick", "zone_id, picked_on, clock, grade"],
];

/** Starts the demo and kills it as soon as it says something that begins so; without a sign it is stopped when it is ready. */
async function startedUntil(folder, sign) {
  const child = spawn(process.execPath, [join(root, "demo/dist/main.js")], {
    env: {
      ...process.env,
      SPRUNEL_DATA: folder,
      PORT: "0",
      SPRUNEL_LOG: "silent",
      SPRUNEL_NOW: "2026-06-16T04:10:00Z",
    },
    stdio: ["ignore", "pipe", "inherit"],
  });
  const heard = [];
  child.stdout.on("data", (chunk) => {
    heard.push(...chunk.toString().split("\n").filter(Boolean));
    if (sign && heard.includes(sign)) child.kill("SIGKILL");
    if (heard.some((line) => line.includes("is ready"))) child.kill("SIGTERM");
  });
  await new Promise((resolve) => child.once("exit", resolve));
  return heard.filter((line) => !line.includes("is ready"));
}

/** First starts of the demo, each killed at one more of the signs that it gives. */
async function killedFirstStarts() {
  const [whole, killed] = ["whole", "killed"].map((name) => mkdtempSync(join(tmpdir(), `sprunel-${name}-`)));
  const signs = await startedUntil(whole);
  for (const sign of signs) await startedUntil(killed, sign);
  await startedUntil(killed);
  const count = (folder, table) => {
    const db = opened(folder);
    const [{ n }] = db.prepare(`SELECT COUNT(*) AS n FROM ${table}`).all();
    db.close();
    return n;
  };
  const db = opened(killed);
  const doubled = ONCE.flatMap(([table, columns]) =>
    db.prepare(`SELECT 1 FROM ${table} GROUP BY ${columns} HAVING COUNT(*) > 1`).all(),
  );
  db.close();
  const uneven = SET_UP.filter((table) => count(whole, table) !== count(killed, table));
  for (const folder of [whole, killed]) rmSync(folder, { recursive: true, force: true });
  console.table([
    { "first starts killed": signs.length, doubled: doubled.length, "tables that differ": uneven.join(", ") || "none" },
  ]);
  return signs.length > 10 && doubled.length === 0 && uneven.length === 0;
}

/** Numbers from 0 to 1 that are the same for the same seed. */
function random(seed) {
  let state = seed >>> 0;
  // Mulberry32, a small generator in the public domain.
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}
