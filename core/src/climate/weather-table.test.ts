import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { describe, expect, it } from "vitest";
import { readWeatherTable, type WeatherTable } from "./weather-table.ts";
import type { WeatherKind } from "./weather-columns.ts";

const sampleFolder = fileURLToPath(new URL("../../../demo/imports", import.meta.url));

interface Expected {
  context: { zone: string; stampMarks: string };
  dialect: { encoding: string; lineEnd: string; delimiter: string; decimal: string };
  columns: { column: number; kind: string; unit: string }[];
  counts: Record<string, number>;
  notData: { line: number; reason: string }[];
  rejected: { line: number; reason: string }[];
  flagged: { line: number; flags: unknown[] }[];
  hours: { firstUtc: string; lastUtc: string; expected: number; stored: number; missing: number };
  gaps: { fromUtc: string; toUtc: string; hours: number }[];
  totals: { rainMm: number; radiationMjM2: number; meanAirTemperatureC: number; meanWindMs: number };
  values: ({ line: number; stampUtc: string; hourStartUtc: string } & Record<string, number | null | string>)[];
  clockChange: { atUtc: string } | null;
}

const utc = (ms: number): string => new Date(ms).toISOString().replace(".000", "");
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const lines = (...rows: string[]): Uint8Array => bytes(rows.join("\n") + "\n");

function known(table: WeatherTable, kind: WeatherKind): number[] {
  return table.rows.map((row) => row.values[kind]).filter((value) => value !== null);
}
const sum = (values: number[]): number => values.reduce((total, value) => total + value, 0);

describe.each(["weather-iso", "weather-semicolon", "weather-us"])("the file %s", (name) => {
  const expected = JSON.parse(readFileSync(`${sampleFolder}/${name}.expected.json`, "utf8")) as Expected;
  const table = readWeatherTable(readFileSync(`${sampleFolder}/${name}.csv`), { siteTimeZone: expected.context.zone });

  it("is understood: dialect, columns and units", () => {
    const { encoding, lineEnd, delimiter, decimal } = expected.dialect;
    expect(table.dialect).toMatchObject({
      encoding,
      lineEnd,
      delimiter,
      decimal,
      stampMarks: expected.context.stampMarks.split(" ")[0],
      stampMarksAssumed: false,
    });
    const measured = expected.columns.filter((column) => column.kind !== "ignore");
    expect(table.columns.filter((column) => column.kind !== "ignore")).toMatchObject(
      measured.map(({ column, kind, unit }) => ({ column, kind, unit })),
    );
  });

  it("is judged line by line", () => {
    expect(table.counts).toEqual(expected.counts);
    expect(table.notData).toEqual(expected.notData);
    expect(table.rejected).toMatchObject(expected.rejected.map(({ line, reason }) => ({ line, reason })));
    expect(table.flagged).toEqual(expected.flagged);
  });

  it("gives the hours, gaps and sums that it holds", () => {
    const stamps = table.rows.map((row) => row.stampMs);
    expect([utc(stamps[0] ?? NaN), utc(stamps.at(-1) ?? NaN), stamps.length]).toEqual([
      expected.hours.firstUtc,
      expected.hours.lastUtc,
      expected.hours.stored,
    ]);
    expect(table.gaps.map((gap) => ({ fromUtc: utc(gap.fromMs), toUtc: utc(gap.toMs), hours: gap.hours }))).toEqual(
      expected.gaps,
    );
    expect(sum(known(table, "rain"))).toBeCloseTo(expected.totals.rainMm, 3);
    expect(sum(known(table, "radiation"))).toBeCloseTo(expected.totals.radiationMjM2, 2);
    expect(sum(known(table, "airTemperature")) / known(table, "airTemperature").length).toBeCloseTo(
      expected.totals.meanAirTemperatureC,
      3,
    );
    expect(sum(known(table, "wind")) / known(table, "wind").length).toBeCloseTo(expected.totals.meanWindMs, 3);
    expect(table.clockChangeMs === null ? null : utc(table.clockChangeMs)).toBe(expected.clockChange?.atUtc ?? null);
  });

  it.each(expected.values)("converts line $line: $note", (row) => {
    const found = table.rows.find((candidate) => candidate.line === row.line);
    expect([utc(found?.stampMs ?? NaN), utc(found?.hourStartMs ?? NaN)]).toEqual([row.stampUtc, row.hourStartUtc]);
    const fields = {
      airTemperature: "airTemperatureC",
      humidity: "humidityPct",
      wind: "windMs",
      radiation: "radiationMjM2",
      rain: "rainMm",
    } as const;
    for (const [kind, field] of Object.entries(fields)) {
      const [value, wanted] = [found?.values[kind as WeatherKind] ?? null, row[field]];
      if (typeof wanted === "number") expect(value).toBeCloseTo(wanted, 3);
      else expect(value).toBeNull();
    }
  });
});

describe("a weather file of another hand", () => {
  it("may hold date and hour in two columns and run backward in time, also over the repeated hour", () => {
    const table = readWeatherTable(
      lines(
        "Date,Hour,Temp (C)",
        "25/10/2026,03:00,11.1",
        "25/10/2026,02:00,11.2",
        "25/10/2026,02:00,11.3",
        "25/10/2026,01:00,11.4",
      ),
      { siteTimeZone: "Europe/Paris" },
    );
    expect(table.rejected).toEqual([]);
    expect(table.rows.map((row) => [utc(row.stampMs), row.values.airTemperature])).toEqual([
      ["2026-10-24T23:00:00Z", 11.4],
      ["2026-10-25T00:00:00Z", 11.3],
      ["2026-10-25T01:00:00Z", 11.2],
      ["2026-10-25T02:00:00Z", 11.1],
    ]);
  });

  it("rejects the hour that summer time skips", () => {
    const table = readWeatherTable(
      lines("time;air °C", "29.03.2026 01:00;8,1", "29.03.2026 02:00;8,2", "29.03.2026 03:00;8,3"),
      { siteTimeZone: "Europe/Paris" },
    );
    expect(table.rejected).toMatchObject([{ line: 3, reason: "time-does-not-exist" }]);
    expect(table.gaps).toEqual([]);
  });

  it("is read in UTF-16 and Windows-1252 alike, and a stray quotation mark swallows nothing", () => {
    const text = 'time;Température air (°C)\n01.06.2026 10:00;20,5\n01.06.2026 11:00;"21,5\n01.06.2026 12:00;22,5\n';
    const codes = Array.from(text, (letter) => letter.charCodeAt(0));
    const wide = new Uint8Array([0xff, 0xfe, ...codes.flatMap((code) => [code & 255, code >> 8])]);
    const narrow = new Uint8Array(codes);
    for (const file of [wide, narrow]) {
      const table = readWeatherTable(file, { siteTimeZone: "Europe/Paris" });
      expect(table.columns[1]).toMatchObject({ kind: "airTemperature", unit: "°C" });
      expect(table.rows.map((row) => row.values.airTemperature)).toEqual([20.5, 22.5]);
      expect(table.rejected).toMatchObject([{ line: 3, reason: "empty" }]);
    }
  });

  it("takes the mapping that a person chose over its own guess", () => {
    const file = lines("moment,a,b", "2026-06-01T10:00Z,68,1", "2026-06-01T11:00Z,77,2");
    const unknown = readWeatherTable(file, { siteTimeZone: "UTC" });
    expect(unknown.columns.map(({ kind }) => kind)).toEqual(["time", "ignore", "ignore"]);
    expect(unknown.columns[0]).toMatchObject({ certainty: 0.5, because: "its cells are days" });
    expect(unknown.rows).toEqual([]);
    const table = readWeatherTable(file, {
      siteTimeZone: "UTC",
      columns: [
        { column: 1, kind: "time", unit: "" },
        { column: 2, kind: "airTemperature", unit: "°F" },
      ],
    });
    expect(table.rows.map((row) => row.values)).toMatchObject([
      { airTemperature: expect.closeTo(20, 9), rain: null },
      { airTemperature: expect.closeTo(25, 9) },
    ]);
    expect(table.columns.find((column) => column.kind === "airTemperature")).toMatchObject({ unitAssumed: false });
  });

  it("by the quarter of an hour is put together by the hour: means, and sums of rain and of light that is told by the step", () => {
    const quarters = [0, 15, 30, 45].map(
      (minute, at) => `2026-06-01T10:${String(minute).padStart(2, "0")}Z,${20 + at},0.2,400,36`,
    );
    const table = readWeatherTable(
      lines(
        "begins,temp_C,rain_mm,solar_W/m2,solar kJ/m2",
        ...quarters,
        "2026-06-01T11:00Z,30,0,0,0",
        "2026-06-01T11:15Z,30,0,0,0",
      ),
      {
        siteTimeZone: "UTC",
        columns: [
          { column: 5, kind: "ignore", unit: "" },
          { column: 1, kind: "time", unit: "" },
        ],
      },
    );
    expect(table.rows).toHaveLength(1);
    expect(table.rows[0]?.values).toMatchObject({
      airTemperature: 21.5,
      rain: expect.closeTo(0.8, 9) as number,
      radiation: expect.closeTo(400 * 0.0036, 9) as number,
    });
    const told = readWeatherTable(
      lines("begins,solar kJ/m2", ...quarters.map((row) => `${row.slice(0, 17)},${row.split(",")[4] ?? ""}`)),
      {
        siteTimeZone: "UTC",
        columns: [{ column: 1, kind: "time", unit: "" }],
      },
    );
    expect(told.rows[0]?.values.radiation).toBeCloseTo(0.144, 9);
  });

  it("with heads in two rows, halves of the day by a letter and no units is read as its figures lie, and asks", () => {
    const table = readWeatherTable(
      lines(
        "\t\tTemp\tHi\tOut\tWind\tRain",
        "Date\tTime\tOut\tTemp\tHum\tSpeed\t",
        "6/01/26\t11:00p\t58.1\t58.4\t80\t3.0\t0.00",
        "6/02/26\t12:00a\t57.2\t58.1\t82\t2.0\t0.01",
      ),
      { siteTimeZone: "UTC", today: "2026-07-01" },
    );
    expect(table.columns.map(({ kind, unit, unitAssumed }) => [kind, unit, unitAssumed])).toEqual([
      ["time", "", false],
      ["time", "", false],
      ["airTemperature", "°F", true],
      ["ignore", "", false],
      ["humidity", "%", true],
      ["wind", "m/s", true],
      ["rain", "mm", true],
    ]);
    expect(table.rows.map(({ stampMs, values }) => [utc(stampMs), values.airTemperature])).toEqual([
      ["2026-06-01T23:00:00Z", expect.closeTo(14.5, 6)],
      ["2026-06-02T00:00:00Z", expect.closeTo(14, 6)],
    ]);
  });

  it("with hours that are counted from 1 to 24, rows that end before the head does, and days as bare numbers", () => {
    const table = readWeatherTable(
      lines(
        "# station 344",
        "YYYYMMDD;HH;Temperatuur (°C);Neerslag (mm);Luchtdruk (hPa)",
        "20260601;1;12,1;0",
        "20260601;2;11,9;0",
        "20260601;24;11,0;0,4",
      ),
      { siteTimeZone: "UTC" },
    );
    expect(table.rejected).toEqual([]);
    expect(table.dialect).toMatchObject({ stampMarks: "end", stampMarksAssumed: false });
    expect(table.rows.map(({ stampMs }) => utc(stampMs))).toEqual([
      "2026-06-01T01:00:00Z",
      "2026-06-01T02:00:00Z",
      "2026-06-02T00:00:00Z",
    ]);
  });

  it("whose head says UTC is read by that clock, and by a chosen one before it", () => {
    const file = lines("Time (UTC),temp_C", "2026-06-01 10:00,20", "2026-06-01 11:00,21");
    const at = (timeZone?: string) =>
      readWeatherTable(file, { siteTimeZone: "Europe/Paris", timeZone }).rows[0]?.stampMs;
    expect(utc(at() ?? 0)).toBe("2026-06-01T10:00:00Z");
    expect(utc(at("America/New_York") ?? 0)).toBe("2026-06-01T14:00:00Z");
  });

  it.each([
    ["Time (UTC+2)", "2026-06-01T08:00:00Z"],
    ["Time GMT-5", "2026-06-01T15:00:00Z"],
    ["Time (UTC+0)", "2026-06-01T10:00:00Z"],
    // A name that only looks like it.
    ["Time (UTC2)", "2026-06-01T08:00:00Z"],
  ])("whose head says %s is read by that clock: %s", (head, first) => {
    const file = lines(`${head},temp_C`, "2026-06-01 10:00,20", "2026-06-01 11:00,21");
    expect(utc(readWeatherTable(file, { siteTimeZone: "Europe/Paris" }).rows[0]?.stampMs ?? 0)).toBe(first);
  });

  it("by the day is refused in words, however few its rows are: none of its hours is known", () => {
    const file = lines("Date,RH mean,Solar (MJ/m2/day),Rain", "2026-06-01,61,24.3,0", "2026-06-02,58,26.0,0");
    expect(() => readWeatherTable(file, { siteTimeZone: "UTC" })).toThrow(/lie a day or more apart.*by the hour/);
  });

  it("may tell humidity from 0 to 1, which its figures show", () => {
    const file = lines("time,t °C,RH", "2026-06-01 10:00,18.2,0.61", "2026-06-01 11:00,19,0.58");
    const { columns, rows } = readWeatherTable(file, { siteTimeZone: "UTC" });
    expect(columns.find(({ kind }) => kind === "humidity")).toMatchObject({ unit: "0 to 1", unitAssumed: true });
    expect(rows.map(({ values }) => values.humidity)).toEqual([61, expect.closeTo(58, 9)]);
  });

  it("takes a unit in a cell before the column's, and asks for one that it does not understand", () => {
    const table = readWeatherTable(
      lines("time,temp (°C),wind (furlongs/h)", "2026-06-01T10:00Z,68 °F,3", "2026-06-01T11:00Z,21,4"),
      {
        siteTimeZone: "UTC",
      },
    );
    expect(table.rows.map(({ values }) => values)).toMatchObject([
      { airTemperature: expect.closeTo(20, 9) as number, wind: null },
      { airTemperature: 21, wind: null },
    ]);
    expect(table.columns[2]).toMatchObject({ kind: "wind", unit: "", unknownUnit: "furlongs/h", unitAssumed: false });
  });

  it.each([
    ["rows by the day", lines("date,temp_C", ...Array.from({ length: 28 }, (_, day) => `2026-06-${day + 1},20`))],
    ["no table", lines("Dear grower,", "the logger is broken.")],
    ["nothing", new Uint8Array()],
    ["a picture", new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3])],
  ])("is refused whole when it holds %s", (_what, file) => {
    expect(() => readWeatherTable(file, { siteTimeZone: "UTC" })).toThrow(
      expect.objectContaining({ name: "DomainError" }),
    );
  });
});
