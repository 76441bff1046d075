import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { describe, expect, it } from "vitest";
import { readShelfList } from "../feed/products/shelf-list.ts";
import { readPickList } from "../harvest/pick-list.ts";
import { readReadingList } from "../rootzone/reading-list.ts";
import { readSoilList } from "../rootzone/soil-list.ts";
import type { ListTable } from "./list.ts";
import { matchZone } from "./zone-name.ts";

const folder = fileURLToPath(new URL("../../../demo/imports", import.meta.url));

type Values = Record<string, unknown>;
interface Expected {
  context: { zone?: string; zones?: string[]; drippersOnTray?: number };
  columns: { column: number; kind: string; unit?: string }[];
  counts: Record<string, number>;
  notData: { line: number; reason: string }[];
  rejected: { line: number; reason: string }[];
  flagged: { line: number; flags: { code: string; offer?: Values }[] }[];
  values: (Values & { line: number; atUtc?: string })[];
  perZone?: (Values & { zone: string; rows: number })[];
  sums?: { zone: string; grade: string; rows: number; massKg: number; fruitCount: number }[];
}

type Read = (bytes: Uint8Array, expected: Expected) => ListTable<string, object>;
const choices = ({ context }: Expected) => ({ zones: context.zones ?? [], timeZone: context.zone ?? "Europe/Paris" });
const lists: Record<string, Read> = {
  "rootzone-notebook": (bytes, expected) => readReadingList(bytes, choices(expected)),
  "rootzone-tds": (bytes, expected) => readReadingList(bytes, choices(expected)),
  "soil-tests": (bytes, expected) => readSoilList(bytes, choices(expected)),
  shelf: (bytes, expected) => readShelfList(bytes, choices(expected)),
  picks: (bytes, expected) => readPickList(bytes, choices(expected)),
};
/** Fields of the sample files that are named otherwise here. */
const RENAMED: Record<string, string> = { drainSharePct: "drainPct", pricePerKg: "pricePerKg" };
const near = (value: unknown): unknown =>
  typeof value === "number"
    ? expect.closeTo(value, Math.abs(value) > 100 ? 2 : 3)
    : Array.isArray(value)
      ? value.map(near)
      : value !== null && typeof value === "object"
        ? Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, near(inner)]))
        : value;

describe.each(Object.entries(lists))("the list %s", (name, read) => {
  const expected = JSON.parse(readFileSync(`${folder}/${name}.expected.json`, "utf8")) as Expected;
  const table = read(readFileSync(`${folder}/${name}.csv`), expected);

  it("is judged line by line", () => {
    expect(table.notData).toEqual(expected.notData);
    expect(table.rejected).toMatchObject(expected.rejected.map(({ line, reason }) => ({ line, reason })));
    expect(table.counts).toEqual(expected.counts);
    expect(
      table.rows.flatMap(({ line, flags }) =>
        flags.length > 0 ? [{ line, codes: flags.map(({ code }) => code) }] : [],
      ),
    ).toEqual(expected.flagged.map(({ line, flags }) => ({ line, codes: flags.map(({ code }) => code) })));
  });

  it("offers what was likely meant, and mends nothing", () => {
    const offers = table.rows.flatMap(({ line, flags }) =>
      flags.flatMap(({ offer }) => (offer ? [{ line, offer }] : [])),
    );
    const wanted = expected.flagged.flatMap(({ line, flags }) =>
      flags.flatMap(({ offer }) => (offer ? [{ line, offer: near(offer) }] : [])),
    );
    expect(offers).toEqual(wanted);
  });

  it("comes out in canonical units", () => {
    for (const { line, atUtc, note: _note, ...wanted } of expected.values) {
      const values = table.rows.find((row) => row.line === line)?.values as Values;
      const fields = Object.entries(wanted).map(([field, value]) => [RENAMED[field] ?? field, near(value)]);
      expect(values, `line ${line}`).toMatchObject(Object.fromEntries(fields));
      if (atUtc) expect(values["atMs"]).toBe(Date.parse(atUtc));
    }
  });

  it("adds up", () => {
    const rows = table.rows.map(({ values }) => values as Values);
    const mean = (of: Values[], field: string): number => {
      const found = of.map((values) => values[field]).filter((value): value is number => typeof value === "number");
      return found.reduce((sum, value) => sum + value, 0) / found.length;
    };
    for (const { zone, rows: count, ...means } of expected.perZone ?? []) {
      const of = rows.filter((values) => values["zone"] === zone);
      expect(of).toHaveLength(count);
      for (const [field, value] of Object.entries(means)) {
        const plain = field.replace("mean", "");
        const key = plain.charAt(0).toLowerCase() + plain.slice(1);
        expect(mean(of, RENAMED[key] ?? key), `${zone} ${field}`).toBeCloseTo(value as number, 3);
      }
    }
    for (const { zone, grade, rows: count, massKg, fruitCount } of expected.sums ?? []) {
      const of = rows.filter((values) => values["zone"] === zone && values["grade"] === grade);
      expect(of).toHaveLength(count);
      const sum = (field: string): number => of.reduce((total, values) => total + ((values[field] as number) ?? 0), 0);
      expect([sum("massKg"), sum("fruitCount")]).toEqual([expect.closeTo(massKg, 2), fruitCount]);
    }
  });
});

describe("a zone's name", () => {
  const zones = ["House 1", "House 2", "Melon bags"];
  it.each([
    ["melon_BAGS", { status: "same", zone: "Melon bags" }],
    ["Mellon bag", { status: "guessed", zone: "Melon bags" }],
    ["House 3", { status: "ambiguous" }],
    ["Orchard", { status: "unknown" }],
    ["", { status: "unknown" }],
  ])("written %j is %j", (text, match) => {
    expect(matchZone(text, zones)).toEqual(match);
  });
});

it("of unknown words is not refused: its columns wait to be set by hand, and are read as they were set", () => {
  const bytes = new TextEncoder().encode("Wert A,Wert B,Wert C\nHouse 1,2026-05-03,12\n");
  const none = { zones: ["House 1"], timeZone: "UTC" };
  const columns = [
    { column: 1, kind: "zone", unit: "" },
    { column: 2, kind: "date", unit: "" },
    { column: 3, kind: "amount", unit: "lb" },
  ];
  expect(readPickList(bytes, none).columns.map(({ kind }) => kind)).toEqual(["ignore", "date", "ignore"]);
  expect(readPickList(bytes, { ...none, columns }).rows[0]?.values).toMatchObject({
    zone: "House 1",
    pickedOn: "2026-05-03",
    massKg: expect.closeTo(12 * 0.45359237, 9) as number,
  });
});

it("refuses a file without any table, in words", () => {
  const bytes = new TextEncoder().encode("Dear grower,\nthe list is lost.\n");
  const none = { zones: [], timeZone: "UTC" };
  expect(() => readReadingList(bytes, none)).toThrow(/No readings were found/);
  expect(() => readSoilList(bytes, none)).toThrow(/No soil tests were found/);
  expect(() => readPickList(bytes, none)).toThrow(/No picks were found/);
  expect(() => readShelfList(bytes, none)).toThrow(/No shelf was found/);
});
