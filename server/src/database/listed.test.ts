import { expect, it } from "vitest";
import { testServer } from "../testing/test-server.ts";
import { bound, gathered, gatheredFrom, listed, listedValues } from "./listed.ts";

it("rows of a list are a table, with what is not there as NULL and numbers as numbers", async () => {
  const { db } = await testServer();
  const rows = await db.raw<object[]>(`SELECT * FROM ${listed("asked", ["zone_id", "kind", "value"])} ORDER BY place`, [
    bound([
      [2, "drainPct", 1.5],
      [1, 'it\'s "said"', null],
    ]),
  ]);
  expect(rows).toEqual([
    { place: 0, zone_id: 2, kind: "drainPct", value: 1.5 },
    { place: 1, zone_id: 1, kind: 'it\'s "said"', value: null },
  ]);
});

it("single values are one, and what is gathered of a question comes back in its order", async () => {
  const { db } = await testServer();
  const [row] = await db.raw<{ found: string }[]>(
    `SELECT ${gathered(["place", "value"], `SELECT place, value FROM ${listedValues("asked")} ORDER BY value DESC`)} AS found`,
    [bound([3, 1, 2])],
  );
  expect(gatheredFrom<[number, number]>(row?.found ?? "")).toEqual([
    [0, 3],
    [2, 2],
    [1, 1],
  ]);
});
