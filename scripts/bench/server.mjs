import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "libsql";
import { root } from "../prepare.mjs";
import { framesWhileDragging } from "./screen.mjs";
import { board, figure, folder, percentile, send, start, stop, timed, url } from "./measure.mjs";

/** What the demo's server does over HTTP. */
export async function overHttp() {
  const boards = [];
  for (let round = 0; round < 60; round++) boards.push(await timed(board));
  const health = [];
  for (let round = 0; round < 60; round++)
    health.push(await timed(async () => (await fetch(`${url}/api/health`)).text()));
  await figure("morning board of the demo over HTTP, p95", percentile(boards, 0.95), "ms", 100, {
    name: "an empty answer",
    value: percentile(health, 0.95),
  });

  const body = {
    fileName: "weather-iso.csv",
    contentBase64: readFileSync(join(root, "demo/imports/weather-iso.csv")).toString("base64"),
    choices: {},
  };
  const importMs = await timed(() => send("POST", "/api/weather/imports", body));
  const notebook = {
    list: "readings",
    fileName: "notebook.csv",
    contentBase64: Buffer.from(longNotebook(1000)).toString("base64"),
    choices: {},
  };
  const looked = [];
  for (let run = 0; run < 5; run++)
    looked.push(
      await timed(async () => {
        const answer = await send("POST", "/api/lists/previews", notebook);
        const { counts } = await answer.json();
        if (counts.accepted !== 1000) throw new Error(`the preview read ${counts.accepted} of 1000 rows`);
      }),
    );
  await figure("preview of a reading file of 1000 rows, median", percentile(looked, 0.5), "ms", 300);
  await whilePlanning();
  await figure("import of 60 days of hourly weather", importMs, "ms", 1000, {
    name: "bare inserts, one commit",
    value: await bareInserts(),
  });
}

/** Whoever else asks while a day of forty zones is planned. */
async function whilePlanning() {
  const zones = Array.from({ length: 40 }, (_, at) => ({
    id: `z${at}`,
    litres: 1500 + ((at * 977) % 2500),
    flowLh: 2500 + ((at * 1409) % 3000),
    recipeId: `r${at % 3}`,
    windows: [{ start: "06:00", end: "20:00" }],
    pulses: 8,
    minGapMin: 10,
    priority: 1 + (at % 3),
  }));
  const day = { pump: { maxLh: 13_000 }, mixers: [{ id: "m1", maxLh: 13_000 }], zones, timeLimitS: 3 };
  let planned = false;
  const plan = send("POST", "/api/compute/day-plan", day).then(() => (planned = true));
  const waits = [];
  for (let call = 0; call < 100 && !planned; call++) {
    waits.push(await timed(async () => (await fetch(`${url}/api/health`)).text()));
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  await plan;
  await figure(`slowest of ${waits.length} answers while a day of 40 zones is planned`, Math.max(...waits), "ms", 100);
}

/** The board of a large nursery: 60 zones, each with a moisture probe read every five minutes for three years. */
export async function manyZones() {
  const data = mkdtempSync(join(tmpdir(), "sprunel-bench-large-"));
  const zones = 60;
  const { child } = await start("demo/dist/main.js", data);
  const { zones: known } = await (await fetch(`${url}/api/set-up`)).json();
  for (let at = known.length; at < zones; at++) {
    const { id: _id, version: _version, ...like } = known[at % known.length];
    await send("POST", "/api/zones", { ...like, name: `Zone ${at + 1}` });
  }
  const { now: at } = await (await fetch(`${url}/api/clock`)).json();
  await stop(child);
  const db = new Database(join(data, "sprunel.db"));
  db.exec("PRAGMA synchronous = OFF");
  const perZone = 3 * 365 * 288;
  const insert = db.prepare(
    `WITH RECURSIVE step (at) AS (SELECT 0 UNION ALL SELECT at + 1 FROM step LIMIT ${perZone})
     INSERT INTO zone_reading (zone_id, kind, at_ms, source, value) SELECT ?, 'moisturePct', ? - at * 300000, 'probe', 30 + at % 20 FROM step ORDER BY at DESC`,
  );
  const now = Math.floor(Date.parse(at) / 300_000) * 300_000;
  for (let zone = 1; zone <= zones; zone++) insert.run(zone, now);
  db.close();
  const again = await start("demo/dist/main.js", data);
  // A server that has run for a while: its code is compiled, and the disk's pages are at hand.
  for (let round = 0; round < 100; round++) await board();
  const times = [];
  for (let round = 0; round < 100; round++) times.push(await timed(board));
  await figure(
    `morning board, ${zones} zones, ${((zones * perZone) / 1e6).toFixed(1)} million readings, warm, p95`,
    percentile(times, 0.95),
    "ms",
    40,
  );
  const late = { at: new Date(now - 30 * 86_400_000 + 60_000).toISOString(), tensionKpa: 21 };
  const soil = known.find(({ definition }) => definition.system === "soil-drip").id;
  const shown = await timed(async () => {
    await send("POST", `/api/zones/${soil}/readings`, late);
    await board();
  });
  await figure("a reading 30 days back until the board shows it", shown, "ms", 300);
  const kept = new Database(join(data, "sprunel.db"), { readonly: true });
  const { bytes, count } = kept
    .prepare("SELECT sum(length(state) + length(engine) + 60) AS bytes, count(*) AS count FROM zone_checkpoint")
    .get();
  kept.close();
  await figure("checkpoints of 60 zones over 3 years", ((bytes / count) * zones * 3 * 365) / 1e6, "MB", 40);
  // Run of all zones is the board's own answer.
  for (const station of ["water", "feed", "roots", "crop", "picks"]) {
    const asked = [];
    const ask = async () => (await fetch(`${url}/api/${station}`)).text();
    await ask();
    for (let round = 0; round < 20; round++) asked.push(await timed(ask));
    await figure(
      `all ${zones} zones at a station: ${station}, p95`,
      percentile(asked, 0.95),
      "ms",
      station === "crop" ? 60 : 100,
    );
  }
  const crops = [];
  for (let round = 0; round < 60; round++)
    crops.push(await timed(async () => (await fetch(`${url}/api/zones/${(round % zones) + 1}/crop`)).text()));
  await figure(`crop of one of ${zones} zones, p95`, percentile(crops, 0.95), "ms", 60);
  const { version, date } = await (await fetch(`${url}/api/zones/${soil}/crop`)).json();
  const seen = await timed(async () => {
    await send("POST", `/api/zones/${soil}/signs`, { stageId: "late", on: date, version });
    await board();
  });
  await figure(`a stage that is seen until the board of ${zones} zones shows it`, seen, "ms", 500);
  await doses(zones, soil);
  await siteDay(zones);
  const setUps = [];
  for (let round = 0; round < 20; round++)
    setUps.push(await timed(async () => (await fetch(`${url}/api/set-up`)).text()));
  await figure(`set-up of ${zones} zones, p95`, percentile(setUps, 0.95), "ms", 200);
  await stop(again.child);
  rmSync(data, { recursive: true, force: true });
}

/** Every zone that has an aim is fed in doses. */
async function doses(zones, soil) {
  for (let zone = 1; zone <= zones; zone++) {
    const plan = await (await fetch(`${url}/api/zones/${zone}/dose-plan`)).json();
    if (plan.version !== null || plan.missing === "not-planted") continue;
    await send("PUT", `/api/zones/${zone}/dose-programme`, { programme: plan.programme, version: null });
  }
  const weeks = [];
  for (let round = 0; round < 20; round++)
    weeks.push(await timed(async () => (await fetch(`${url}/api/doses`)).text()));
  await figure(`doses of ${zones} zones in a week, p95`, percentile(weeks, 0.95), "ms", 80);
  const books = await timed(async () => (await fetch(`${url}/api/nutrient-books`)).text());
  await figure(`books of nutrients of ${zones} zones over 3 years`, books, "ms", 2000);
  const changed = [];
  for (let yieldTHa = 66; yieldTHa <= 74; yieldTHa++) {
    const { programme, version } = await (await fetch(`${url}/api/zones/${soil}/dose-plan`)).json();
    changed.push(
      await timed(() =>
        send("PUT", `/api/zones/${soil}/dose-programme`, { programme: { ...programme, yieldTHa }, version }),
      ),
    );
  }
  await figure(
    "another yield aimed at until its calendar of doses, by five schools, is there, median",
    percentile(changed, 0.5),
    "ms",
    200,
  );
}

/** The day of all zones: made, read again, and changed by a hand that drops a pulse. */
async function siteDay(zones) {
  const read = async () => (await fetch(`${url}/api/day-plan`)).json();
  const first = await timed(read);
  await figure(`the day of ${zones} zones, made for the first time`, first, "ms", 1500);
  const again = [];
  for (let round = 0; round < 20; round++) again.push(await timed(read));
  await figure("the same, read again, p95", percentile(again, 0.95), "ms", 100);
  let day = await read();
  for (let tries = 0; day.improving && tries < 100; tries++) {
    await new Promise((resolve) => setTimeout(resolve, 200));
    day = await read();
  }
  const dropped = [];
  for (let round = 0; round < 30; round++) {
    const pulse = day.pulses.filter(({ state, zoneId }) => state === "ahead" && zoneId !== null)[3 * round];
    if (!pulse) break;
    const startUtc = new Date(Date.parse(pulse.startUtc) + 4 * 60_000).toISOString();
    dropped.push(
      await timed(async () => {
        const answer = await fetch(`${url}/api/day-plans/${day.date}/edits`, {
          method: "POST",
          headers: { "Content-Type": "application/json" },
          body: JSON.stringify({ version: day.version, edit: { kind: "lock", pulseId: pulse.id, startUtc } }),
        });
        if (answer.ok) day = await answer.json();
      }),
    );
  }
  await figure("a pulse dropped elsewhere until the day is valid again, p95", percentile(dropped, 0.95), "ms", 100);
  await figure("a frame while a pulse is dragged, p95", percentile(await framesWhileDragging(), 0.95), "ms", 17);
}

/** 200 zones, each with a target of its own, told in money after a price has changed. */
export async function recosted() {
  const data = mkdtempSync(join(tmpdir(), "sprunel-bench-costs-"));
  const zones = 200;
  const { child } = await start("demo/dist/main.js", data);
  const { zones: known } = await (await fetch(`${url}/api/set-up`)).json();
  for (let at = known.length; at < zones; at++) {
    const { id: _id, version: _version, ...like } = known[at % known.length];
    await send("POST", "/api/zones", { ...like, name: `Zone ${at + 1}` });
  }
  for (let id = 1; id <= zones; id++) {
    const { own, settings } = await (await fetch(`${url}/api/zones/${id}/feed`)).json();
    if (!settings.mixed) await send("PUT", `/api/zones/${id}/feed-settings`, { ...settings, mixed: true });
    await send("PUT", `/api/zones/${id}/feed-target`, {
      ions: { NO3: 12, H2PO4: 1.2, SO4: 2, NH4: 1, K: 6 + id / 100, Ca: 4 - id / 200, Mg: 1.5, Fe: 20, Mn: 8, B: 25 },
      ph: 5.8,
      version: own?.version ?? null,
    });
  }
  const costs = async () => (await fetch(`${url}/api/feed-costs`)).text();
  await costs();
  const { shelf } = await (await fetch(`${url}/api/feed`)).json();
  const { version } = shelf.find(({ product }) => product.id === "potassium-nitrate");
  await send("PUT", "/api/shelf/potassium-nitrate", { priceKg: 2.1, stockKg: 100, version });
  let answer = "";
  const ms = await timed(async () => (answer = await costs()));
  const told = answer.trim().split("\n");
  if (JSON.parse(told.at(-1)).zones.filter(({ status }) => status).length !== zones)
    throw new Error("not every zone was told in money");
  const work = `${zones} zones told in money after a price, ${told.length - 1} words of progress`;
  await figure(work, ms / 1000, "s", 2);
  await stop(child);
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
