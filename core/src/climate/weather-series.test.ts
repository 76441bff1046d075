import { describe, expect, it } from "vitest";
import { readWeatherFile } from "./weather-series.ts";
import { readWeatherTable } from "./weather-table.ts";

const bytes = new TextEncoder().encode(
  [
    "Time (UTC),T (°C),RH (%)",
    ...Array.from({ length: 14 }, (_, hour) => `2026-06-03 ${String(hour).padStart(2, "0")}:00,${hour},70`),
    "2026-06-03 14:00,,71",
  ].join("\n"),
);
const choices = { siteTimeZone: "Europe/Paris" };

describe("a weather file as a series", () => {
  const { rows, ...table } = readWeatherTable(bytes, choices);
  const { series, firstRows, span, ...file } = readWeatherFile(bytes, choices);

  it("tells the same as its table, hour by hour", () => {
    expect(file).toEqual(table);
    expect(firstRows).toEqual(rows.slice(0, 6));
    expect(span).toEqual({ firstMs: rows[0]?.stampMs, lastMs: rows.at(-1)?.stampMs });
    expect([...series.hourMs]).toEqual(rows.map(({ hourStartMs }) => hourStartMs));
    expect([...series.values.airTemperature]).toEqual(rows.map(({ values }) => values.airTemperature ?? NaN));
    expect([...series.values.rain].every(Number.isNaN)).toBe(true);
  });

  it("marks what is not to be trusted", () => {
    expect([...series.doubtful.humidity]).toEqual([...Array<number>(14).fill(1), 0]);
    expect([...series.doubtful.airTemperature]).toEqual(Array<number>(15).fill(0));
  });
});
