// Whether anything is lost or doubled when the program is killed while people write.
import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { root } from "../prepare.mjs";
import { random } from "./mutants.mjs";

const SEED = 40;
const KILLS = 40;
/** So many write at once. */
const WRITERS = 4;
const LONGEST_MS = 400;
const FIRST_MS = Date.UTC(2026, 5, 1);

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
    setTimeout(() => child.kill("SIGKILL"), next() * LONGEST_MS);
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
        }
      }),
    );
    await gone;
  }
  const { createRequire } = await import("node:module");
  const Database = createRequire(join(root, "server/package.json"))("libsql");
  const db = new Database(join(folder, "sprunel.db"));
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
