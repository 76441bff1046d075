// Figures, each with its target and, where there is one, a peer measured in the same run. Misses are marked; nothing fails.
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { build, install } from "./prepare.mjs";

install();
await build();
const { board, figure, folder, machineTable, rows, send, start, stop } = await import("./bench/measure.mjs");
const { firstScreenKb, inTheBrowser } = await import("./bench/screen.mjs");
const { manyZones, overHttp, recosted } = await import("./bench/server.mjs");
const { longFiles } = await import("./bench/files.mjs");
const { engine } = await import("./bench/engine.mjs");
const { sums } = await import("./bench/sums.mjs");
const { cloneToScreen } = await import("./bench/clone.mjs");

await figure("first screen, scripts before the board's figures (gzip -9)", firstScreenKb(), "kB", 300);
const first = await start();
await figure("start of the demo, empty data folder (history is made)", first.seconds, "s", 12);
await stop(first.child);
const second = await start();
await figure("start of the demo, second time", second.seconds, "s", 5);
await board();
// Before weather is imported and days are planned: the server works on beside requests for a while then.
await inTheBrowser();
await overHttp();
await stop(second.child);
await ownSite();
await manyZones();
await recosted();
await longFiles();
await engine();
await sums();
await cloneToScreen();
rmSync(folder, { recursive: true, force: true });
console.log("The machine in this run, ms:");
console.table(await machineTable());
console.table(rows);

/** A person's own site that was described before, started again. */
async function ownSite() {
  const data = mkdtempSync(join(tmpdir(), "sprunel-bench-own-"));
  const before = await start("demo/dist/own-site.js", data);
  await send("POST", "/api/site", {
    ...{ name: "Bench Hill", latitudeDeg: 43.4, longitudeDeg: -1.5, elevationM: 60, timeZone: "Europe/Paris" },
    ...{ unitSystem: "metric", currency: "EUR", pumpLh: null, kwhPrice: null, dateForm: "dmy" },
  });
  await stop(before.child);
  const again = await start("demo/dist/own-site.js", data);
  await figure("start of an own site, second time", again.seconds, "s", 2.5);
  await stop(again.child);
  rmSync(data, { recursive: true, force: true });
}
