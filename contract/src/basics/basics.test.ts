import { describe, expect, it } from "vitest";
import { z } from "zod";
import {
  countSchema,
  dateSchema,
  idParamSchema,
  idSchema,
  instantSchema,
  labelSchema,
  listSchema,
  quantitySchema,
  spanSchema,
  textSchema,
} from "./basics.ts";
import { addressOf, dateQuery, endpoint, oneParams } from "./endpoint.ts";

/** What a schema says of a value; nothing when it takes it. */
function said(schema: z.ZodType, value: unknown): string[] {
  const parsed = schema.safeParse(value);
  return parsed.success ? [] : parsed.error.issues.map(({ message }) => message);
}

describe("a quantity", () => {
  const drain = quantitySchema("Drain share", 0, 95, "%");
  it.each([
    [120, "Drain share must be 0 to 95 %, not 120."],
    [-1, "Drain share must be 0 to 95 %, not -1."],
    ["12", "Drain share must be a number, 0 to 95 %."],
    [undefined, "Drain share is missing; give 0 to 95 %."],
    [null, "Drain share must be a number, 0 to 95 %."],
    [NaN, "Drain share must be a number, 0 to 95 %."],
    [Infinity, "Drain share must be a number, 0 to 95 %."],
  ])("of %s is refused with its name and the sensible span", (value, words) => {
    expect(said(drain, value)).toEqual([words]);
  });
  it.each([0, 95, 31.5])("of %d is taken", (value) => expect(said(drain, value)).toEqual([]));
});

describe("a count", () => {
  it.each([
    [2.5, "Plants must be a whole number."],
    [0, "Plants must be 1 to 500, not 0."],
  ])("of %d is refused in words", (value, words) =>
    expect(said(countSchema("Plants", 1, 500), value)).toContain(words),
  );
});

describe("dates and instants", () => {
  it.each(["1900-01-01", "2024-02-29", "2200-12-31"])("%s is a date", (date) =>
    expect(said(dateSchema, date)).toEqual([]),
  );
  it.each(["1899-12-31", "2201-01-01", "0000-01-01", "9999-12-31"])("%s lies outside the calendar", (date) => {
    expect(said(dateSchema, date)).toEqual([`The date must lie from 1900-01-01 to 2200-12-31, not ${date}.`]);
  });
  it.each(["2023-02-29", "2026-13-01", "16.06.2026", "", 20_260_616])("%s is no date", (date) => {
    expect(said(dateSchema, date)).not.toEqual([]);
    expect(said(dateSchema, date).join()).not.toMatch(/zod|Invalid/);
  });
  it.each(["2026-06-16T06:10:00Z", "2026-06-16T06:10:00.123Z"])("%s is an instant", (at) => {
    expect(said(instantSchema, at)).toEqual([]);
  });
  it.each(["0001-01-01T00:00:00Z", "2201-01-01T00:00:00Z", "2026-06-16", "2026-06-16T06:10:00+02:00"])(
    "%s is none that is taken",
    (at) => expect(said(instantSchema, at)).not.toEqual([]),
  );
});

describe("ids", () => {
  it.each(["1", "2147483647"])("%s in a path is one", (text) => expect(idParamSchema.parse(text)).toBe(Number(text)));
  it.each(["0", "-1", "1.5", "1e3", " 1", "01", "0x1", "2147483648", "99999999999", ""])(
    "%j in a path is none",
    (text) => {
      expect(said(idParamSchema, text)).not.toEqual([]);
    },
  );
  it.each([true, "1", null, 0, 2 ** 31])("%j in a body is none", (value) =>
    expect(said(idSchema, value)).not.toEqual([]),
  );
});

describe("texts and lists", () => {
  it("are refused when empty, too long, or with a character that the database cuts at", () => {
    const name = textSchema("The name", 5);
    expect(said(name, "   ")).toEqual(["The name is empty; type at least one letter."]);
    expect(said(name, "seventy")).toEqual(["The name is 7 letters long; at most 5 fit."]);
    expect(said(name, "a\u0000b")).toEqual(["The name holds a character that cannot be stored."]);
    expect(name.parse("  ab ")).toBe("ab");
    expect(said(labelSchema("The zone"), "z".repeat(81))).toHaveLength(1);
  });
  it("say how many fit", () => {
    expect(said(listSchema("Zones", z.number(), 2), [1, 2, 3])).toEqual([
      "Zones: at most 2 are taken at a time, not 3.",
    ]);
  });
  it("of a span of the clock take nothing that is longer than a clock time", () => {
    expect(said(spanSchema, { start: "07:00", end: "19:30:00" })).toEqual([]);
    expect(said(spanSchema, { start: "07:00", end: "1".repeat(1000) })).toHaveLength(1);
  });
});

describe("an endpoint", () => {
  const day = endpoint({
    method: "get",
    path: "/api/zones/:id/day",
    needs: "see",
    summary: "a day",
    params: oneParams,
    query: dateQuery,
    answer: z.object({}),
  });
  it("is small, JSON and 200 unless it says otherwise", () => {
    expect(day).toMatchObject({ status: 200, media: "application/json", takesFiles: false, body: null });
  });
  it("has an address with its parts in their places", () => {
    expect(addressOf(day, { id: 3 }, { date: "2026-06-16" })).toBe("/api/zones/3/day?date=2026-06-16");
    expect(addressOf(day, { id: 3 }, { date: null })).toBe("/api/zones/3/day");
    expect(addressOf(day, { id: "a/b" }, { date: "ä&=" })).toBe("/api/zones/a%2Fb/day?date=%C3%A4%26%3D");
  });
});
