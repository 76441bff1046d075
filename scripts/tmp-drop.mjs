import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { board, send, start, stop, timed, url } from "./bench/measure.mjs";
const data = mkdtempSync(join(tmpdir(), "sprunel-drop-"));
const zones = Number(process.argv[2] ?? 60);
const { child } = await start("demo/dist/main.js", data);
const { zones: known } = await (await fetch(`${url}/api/set-up`)).json();
for (let at = known.length; at < zones; at++) {
  const { id: _id, version: _version, ...like } = known[at % known.length];
  await send("POST", "/api/zones", { ...like, name: `Zone ${at + 1}` });
}
for (let i = 0; i < 10; i++) await board();
const read = async () => (await fetch(`${url}/api/day-plan`)).json();
console.log("first", await timed(read));
for (let i = 0; i < 5; i++) console.log("again", await timed(read));
let day = await read();
for (let tries = 0; day.improving && tries < 100; tries++) {
  await new Promise((r) => setTimeout(r, 200));
  day = await read();
}
console.log("unmet", day.unmet?.length, "pulses", day.pulses.length);
for (let round = 0; round < 10; round++) {
  const pulse = day.pulses.filter(({ state, zoneId }) => state === "ahead" && zoneId !== null)[3 * round];
  if (!pulse) break;
  const startUtc = new Date(Date.parse(pulse.startUtc) + 4 * 60_000).toISOString();
  let ok;
  const ms = await timed(async () => {
    const answer = await fetch(`${url}/api/day-plans/${day.date}/edits`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ version: day.version, edit: { kind: "lock", pulseId: pulse.id, startUtc } }),
    });
    ok = answer.status;
    if (answer.ok) day = await answer.json();
  });
  console.log("drop", ms.toFixed(0), ok, day.version, "unmet", day.unmet?.length);
}
await stop(child);
rmSync(data, { recursive: true, force: true });
