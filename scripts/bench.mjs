// Figures, each with its target and, where there is one, a peer measured in the same run. Misses are marked; nothing fails.
import { rmSync } from "node:fs";
import { build, install } from "./prepare.mjs";

install();
build();
const { board, figure, folder, rows, start, stop } = await import("./bench/measure.mjs");
const { firstScreenKb, inTheBrowser } = await import("./bench/screen.mjs");
const { manyZones, overHttp, recosted } = await import("./bench/server.mjs");
const { longFiles } = await import("./bench/files.mjs");
const { engine } = await import("./bench/engine.mjs");
const { sums } = await import("./bench/sums.mjs");

figure("first screen, scripts before the board's figures (gzip -9)", firstScreenKb(), "kB", 300);
const first = await start();
figure("start of the demo, empty data folder (history is made)", first.seconds, "s", 12);
await stop(first.child);
const second = await start();
figure("start of the demo, second time", second.seconds, "s", 5);
await board();
await overHttp();
await inTheBrowser();
await stop(second.child);
await manyZones();
await recosted();
await longFiles();
await engine();
await sums();
rmSync(folder, { recursive: true, force: true });
console.table(rows);
