import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readPickList } from "../harvest/pick-list.ts";
import { readReadingList } from "../rootzone/reading-list.ts";

const zones = ["House 1", "House 2", "Tunnel 3"];
const told = { zones, timeZone: "UTC", today: "2026-06-30" };
const bytes = (...lines: readonly string[]): Uint8Array => new TextEncoder().encode(`${lines.join("\n")}\n`);
const picksOf = (...lines: readonly string[]) =>
  readPickList(bytes(...lines), told).rows.map(({ values: { pickedOn, zone, grade, massKg, fruitCount } }) =>
    [pickedOn.slice(5), zone, grade, massKg, fruitCount].filter((one) => one !== null && one !== "").join(" "),
  );
const readingsOf = (...lines: readonly string[]) =>
  readReadingList(bytes(...lines), told).rows.map(({ values: { atMs, zone, drainEcMsCm, drainPh } }) =>
    [new Date(atMs).getUTCDate(), zone, drainEcMsCm, drainPh].filter((one) => one !== null).join(" "),
  );

describe("a column for each grade", () => {
  it("is a row for each, what was waste too; nothing is read of an empty cell", () => {
    expect(
      picksOf(
        "Date;Zone;Class 1 (kg);Class 2 (kg);Waste (kg)",
        "03.06.2026;House 1;210,5;32;8,2",
        "13.06.2026;House 2;180;;5",
      ),
    ).toEqual([
      "06-03 House 1 Class 1 210.5",
      "06-03 House 1 Class 2 32",
      "06-03 House 1 Waste 8.2",
      "06-13 House 2 Class 1 180",
      "06-13 House 2 Waste 5",
    ]);
  });

  it("leaves out their sum, in a column or in a row", () => {
    expect(
      picksOf(
        "Date,Zone,Grade A lb,Grade B lb,Total lb",
        "2026-06-03,House 1,100,50,150",
        "2026-06-04,House 1,200,0.5,200.5",
        "Total,,300,50.5,350.5",
      ),
    ).toEqual([
      "06-03 House 1 Grade A 45.359237",
      "06-03 House 1 Grade B 22.6796185",
      "06-04 House 1 Grade A 90.718474",
      "06-04 House 1 Grade B 0.226796185",
    ]);
  });

  it("is known with a row of units, and where only the unit of the file is told on top", () => {
    const rows = ["06-03 House 1 Class I 10", "06-03 House 1 Class II 2"];
    expect(picksOf("Date,Zone,Class I,Class II", ",,kg,kg", "2026-06-03,House 1,10,2")).toEqual(rows);
    expect(picksOf("All weights in kg,,,", "Date,Zone,Class I,Class II", "2026-06-03,House 1,10,2")).toEqual(rows);
  });

  it("is not made of one column that names the grade, nor of shares", () => {
    expect(picksOf("Date,Zone,Class,kg", "2026-06-03,House 1,2,10")).toEqual(["06-03 House 1 2 10"]);
    expect(picksOf("Date,Zone,kg,Class 1 %,Class 2 %", "2026-06-03,House 1,10,91,9")).toEqual(["06-03 House 1 10"]);
  });
});

describe("a column for each zone", () => {
  it("is a row for each, with what the table says of its figures above it", () => {
    expect(readingsOf("Drain EC (mS/cm),,", "Date,House 1,Tunnel 3", "2026-06-08,3.4,2.8", "2026-06-09,3.5,")).toEqual([
      "8 House 1 3.4",
      "8 Tunnel 3 2.8",
      "9 House 1 3.5",
    ]);
  });

  it("may have a row for each measure", () => {
    expect(
      readingsOf(
        "Date,Reading,House 1,House 2",
        "2026-06-08,EC drain,3.4,4.1",
        "2026-06-08,pH drain,6.1,6.4",
        "2026-06-09,EC drain,3.5,4.0",
      ),
    ).toEqual(["8 House 1 3.4 6.1", "8 House 2 4.1 6.4", "9 House 1 3.5", "9 House 2 4"]);
  });

  it.each([
    ["in its head", ["Date,House 1 EC drain,House 1 pH drain,House 2 EC drain,House 2 pH drain"]],
    ["before its zone", ["Date,EC drain House 1,pH drain House 1,EC drain house-2,pH drain house-2"]],
    ["below its zone", [",House 1,,House 2,", "Date,EC drain,pH drain,EC drain,pH drain"]],
    [
      "below its zone, which is written over each",
      ["Date,House 1,House 1,House 2,House 2", ",EC drain,pH drain,EC drain,pH drain"],
    ],
  ])("may have a column for each measure, named %s", (_where, heads) => {
    expect(readingsOf(...heads, "2026-06-08,3.4,6.1,4.1,6.4")).toEqual(["8 House 1 3.4 6.1", "8 House 2 4.1 6.4"]);
  });

  it("asks what its figures are where nothing tells it, and takes what is said", () => {
    const file = bytes("Date,House 1,House 2", "2026-06-08,3.4,4.1");
    const open = readReadingList(file, told);
    expect(open.lacks.flat()).toContain("drainEc");
    const { column } = open.columns.find(({ examples }) => examples.includes("3.4")) ?? { column: 0 };
    const set = readReadingList(file, { ...told, columns: [{ column, kind: "drainEc", unit: "mS/cm" }] });
    expect(set.rows.map(({ values }) => [values.zone, values.drainEcMsCm])).toEqual([
      ["House 1", 3.4],
      ["House 2", 4.1],
    ]);
  });

  it("asks which zone is meant by one that none is called", () => {
    const file = bytes("Drain EC (mS/cm),,", "Date,House 1,House 2,Hop yard,Total", "2026-06-08,3.4,4.1,3.0,10.5");
    const asked = readReadingList(file, told);
    expect(asked.rows.map(({ values }) => values.zone)).toEqual(["House 1", "House 2"]);
    expect(asked.rejected).toMatchObject([{ line: 3, reason: "unknown-zone", detail: "Hop yard" }]);
    const said = readReadingList(file, { ...told, zoneNames: { "Hop yard": "Tunnel 3" } });
    expect(said.rows.map(({ values }) => [values.zone, values.drainEcMsCm])).toContainEqual(["Tunnel 3", 3]);
  });

  it("may have a column for each grade in it", () => {
    expect(
      picksOf(",House 1,,House 2,", "Date,Class 1 kg,Class 2 kg,Class 1 kg,Class 2 kg", "2026-06-08,30,4,50,6"),
    ).toEqual([
      "06-08 House 1 Class 1 30",
      "06-08 House 1 Class 2 4",
      "06-08 House 2 Class 1 50",
      "06-08 House 2 Class 2 6",
    ]);
  });

  it("holds the same picks as rows below each other do, whatever is not picked", () => {
    const day = fc.integer({ min: 10, max: 28 });
    const kg = fc.option(fc.integer({ min: 1, max: 9999 }).map((grams) => grams / 10));
    const table = fc.uniqueArray(fc.tuple(day, kg, kg, kg), { minLength: 1, maxLength: 8, selector: ([of]) => of });
    fc.assert(
      fc.property(table, (rows) => {
        fc.pre(rows.some(([, ...of]) => of.some((one) => one !== null)));
        const wide = rows.map(([of, ...picked]) => [`2026-06-${of}`, ...picked.map((one) => one ?? "")].join(";"));
        const long = rows.flatMap(([of, ...picked]) =>
          picked.flatMap((one, at) => (one === null ? [] : [`06-${of} ${zones[at]} ${one}`])),
        );
        expect(picksOf(`Date;${zones.join(";")}`, ...wide)).toEqual(long);
      }),
    );
  });
});

describe("a column for each day", () => {
  it("is a row for each, in the order of day and month that its heads tell", () => {
    expect(
      picksOf(
        "Picks in kg;;;",
        "House;03.06.2026;04.06.2026;13.06.2026",
        "House 1;12;13,5;",
        "House 2;20;;21",
        "Total;32;13,5;21",
      ),
    ).toEqual(["06-03 House 1 12", "06-04 House 1 13.5", "06-03 House 2 20", "06-13 House 2 21"]);
  });

  it("is not made of a row with two days", () => {
    expect(picksOf("Picked,Sold,House,kg", "2026-06-03,2026-06-04,House 1,12")).toEqual(["06-03 House 1 12"]);
  });
});

it("does not tell two columns apart by a unit that they share: both are asked for", () => {
  const list = readPickList(bytes("Date,Zone,Export (kg),Local (kg)", "2026-06-03,House 1,200,50"), told);
  expect(list.lacks).toEqual([["amount", "crates"]]);
});
