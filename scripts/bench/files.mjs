import { mkdtempSync, rmSync } from "node:fs";
import { createRequire } from "node:module";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { figure, percentile, send, start, stop, timed, url } from "./measure.mjs";

const ROWS = 50_000;
const BOOK_ROWS = 100_000;
const HOUR_MS = 3_600_000;

/** Long files on a site of their own: weather of almost six years, and a workbook of a million cells. */
export async function longFiles() {
  const data = mkdtempSync(join(tmpdir(), "sprunel-bench-files-"));
  // Made first: a connection that waits so long is closed.
  const book = { fileName: "log.xlsx", contentBase64: workbook(), choices: {} };
  const { child } = await start("server/dist/main.js", data);
  await send("POST", "/api/site", {
    ...{ name: "Long files", latitudeDeg: 43.4, longitudeDeg: -1.5, elevationM: 60, timeZone: "Europe/Paris" },
    ...{ unitSystem: "metric", currency: "EUR", pumpLh: null, kwhPrice: null, dateForm: "dmy" },
  });
  for (const clock of [" (UTC)", ""]) {
    const file = { fileName: "six-years.csv", contentBase64: weather(clock), choices: {} };
    const [previews, waits] = [[], []];
    for (let run = 0; run < 4; run++) {
      let isRead = false;
      // Another choice each time: nothing that was read before is given back.
      const asked = { ...file, choices: { windHeightM: 2 + run } };
      const read = timed(() => send("POST", "/api/weather/previews", asked)).then((ms) => {
        isRead = true;
        return ms;
      });
      while (!isRead) {
        waits.push(await timed(async () => (await fetch(`${url}/api/health`)).text()));
        await new Promise((resolve) => setTimeout(resolve, 20));
      }
      previews.push(await read);
    }
    const what = `weather of ${ROWS} rows in ${clock === "" ? "local time" : "UTC"}`;
    await figure(`preview of ${what}, the first`, previews[0], "ms", clock === "" ? 2000 : 1500);
    await figure(
      `preview of ${what}, median of the next three`,
      percentile(previews.slice(1), 0.5),
      "ms",
      clock === "" ? 2000 : 1500,
    );
    await figure("other answers meanwhile, p95", percentile(waits, 0.95), "ms", 200);
  }
  const same = { fileName: "six-years.csv", contentBase64: weather(""), choices: { windHeightM: 5 } };
  await figure(
    `import of weather of ${ROWS} rows in local time`,
    await timed(() => send("POST", "/api/weather/imports", same)),
    "ms",
    2000,
  );
  const mb = (book.contentBase64.length * 0.75) / 1e6;
  await figure(
    `preview of a workbook of ${mb.toFixed(0)} MB, a million cells`,
    (await timed(() => send("POST", "/api/weather/previews", book))) / 1000,
    "s",
    10,
  );
  await stop(child);
  rmSync(data, { recursive: true, force: true });
}

const hours = (at) => {
  const isDay = at % 24 > 6 && at % 24 < 18;
  const wave = Math.sin((at / 24) * 2 * Math.PI);
  return [
    (10 + 8 * wave + (at % 7) / 10).toFixed(1),
    60 + (at % 30),
    (at % 50) / 10,
    isDay ? 300 + (at % 50) : 0,
    at % 40 ? 0 : 0.2,
  ];
};

function weather(clock) {
  const rows = Array.from({ length: ROWS }, (_, at) => {
    const stamp = new Date(Date.UTC(2019, 0, 1) + at * HOUR_MS).toISOString().slice(0, 16).replace("T", " ");
    return [stamp, ...hours(at)].join(",");
  });
  const text = [`Time${clock},T (°C),RH (%),Wind (m/s),Solar (W/m2),Rain (mm)`, ...rows].join("\n");
  return Buffer.from(text).toString("base64");
}

function workbook() {
  const { utils, write } = createRequire(new URL("../../server/package.json", import.meta.url))("@e965/xlsx");
  const heads = [
    "Time",
    "T (°C)",
    "RH (%)",
    "Wind (m/s)",
    "Solar (W/m2)",
    "Rain (mm)",
    "Battery (V)",
    "Leaf",
    "Soil",
    "Note",
  ];
  // Days of a spreadsheet, from 1 January 2014.
  const rows = Array.from({ length: BOOK_ROWS }, (_, at) => [
    ...[41_640 + at / 24, ...hours(at).map(Number)],
    ...[12.6 + (at % 9) / 10, at % 3, 15 + (at % 11) / 10, `entry ${at}`],
  ]);
  const sheet = utils.aoa_to_sheet([heads, ...rows]);
  rows.forEach((_, at) => (sheet[`A${at + 2}`].z = "yyyy-mm-dd hh:mm"));
  const book = utils.book_new();
  utils.book_append_sheet(book, sheet, "Log");
  return write(book, { type: "base64", bookType: "xlsx", compression: true });
}
