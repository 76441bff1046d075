import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readWeatherTable } from "../climate/weather-table.ts";
import { readPickList } from "../harvest/pick-list.ts";
import { readReadingList } from "../rootzone/reading-list.ts";
import { readSoilList } from "../rootzone/soil-list.ts";
import { readWaterTable } from "../water/water-table.ts";

const bytes = (...lines: string[]) => new TextEncoder().encode(`${lines.join("\n")}\n`);
const site = { zones: ["Tunnel 1", "Tunnel 2"], timeZone: "Europe/Paris" };

describe("several tables in one sheet", () => {
  it("beside each other are read as one, each row from its own table", () => {
    const { rows, columns } = readPickList(
      bytes(
        "Picks of the week;;;;;;",
        "Date;Zone;kg;;Date;Zone;kg",
        "3.6.2026;Tunnel 1;12;;3.6.2026;Tunnel 2;30",
        "4.6.2026;Tunnel 1;13;;;;",
      ),
      site,
    );
    expect(rows.map(({ line, values: { zone, massKg } }) => [line, zone, massKg])).toEqual([
      [3, "Tunnel 1", 12],
      [4, "Tunnel 1", 13],
      [3, "Tunnel 2", 30],
    ]);
    expect(columns.map(({ header }) => header)).toEqual(["Date", "Zone", "kg"]);
  });

  it("under each other may have other columns in another order and unit", () => {
    const { rows, columns } = readPickList(
      bytes(
        "Date;Zone;kg",
        "3.6.2026;Tunnel 1;12",
        "",
        "From the second scale",
        "Zone;Harvest (lb);Date;Brix",
        "Tunnel 2;10;4.6.2026;8,5",
      ),
      site,
    );
    expect(rows.map(({ values: { zone, pickedOn, massKg, brixPct } }) => [zone, pickedOn, massKg, brixPct])).toEqual([
      ["Tunnel 1", "2026-06-03", 12, null],
      ["Tunnel 2", "2026-06-04", expect.closeTo(4.536, 3), 8.5],
    ]);
    expect(columns.map(({ header, kind, unit }) => [header, kind, unit])).toEqual([
      ["Date", "date", ""],
      ["Zone", "zone", ""],
      ["kg", "amount", "kg"],
      ["Harvest (lb)", "amount", "lb"],
      ["Brix", "brix", "%"],
    ]);
  });

  it("each belong to what stands above them", () => {
    const { rows } = readReadingList(
      bytes(
        "Zone: Tunnel 1",
        "Date;Time;Drain EC;Drain pH",
        "3.6.2026;08:00;2,4;5,9",
        "3.6.2026;14:00;2,6;6,0",
        "",
        "Zone: Tunnel 2",
        "Date;Time;Drain EC;Drain pH",
        "3.6.2026;08:10;3,1;6,2",
      ),
      site,
    );
    expect(rows.map(({ values: { zone, drainEcMsCm } }) => [zone, drainEcMsCm])).toEqual([
      ["Tunnel 1", 2.4],
      ["Tunnel 1", 2.6],
      ["Tunnel 2", 3.1],
    ]);
  });

  it("of a laboratory, a sample under the other, keep their figures apart", () => {
    const sample = (name: string, day: string, calcium: string) => [
      `Sample: ${name}`,
      `Sampled: ${day}`,
      "Parameter;Result;Unit",
      "pH;7,2;",
      `Calcium;${calcium};mg/l`,
      "Chloride;35,45;mg/l",
      "Nitrate;31;mg/l",
      "",
    ];
    const { samples } = readWaterTable(
      bytes(...sample("Well", "12 March 2026", "80,16"), ...sample("Pond", "14 March 2026", "20,04")),
    );
    expect(samples.map(({ source, takenOn, lines, ions }) => [source, takenOn, lines, ions.Ca])).toEqual([
      ["Well", "2026-03-12", [4, 7], expect.closeTo(2, 3)],
      ["Pond", "2026-03-14", [12, 15], expect.closeTo(0.5, 3)],
    ]);
  });

  it("of a station whose program was changed go on in the columns that they mean", () => {
    const { rows, rejected } = readWeatherTable(
      bytes(
        "Time,Air temp (°C),RH (%)",
        "2026-06-03 08:00,18.5,70",
        "2026-06-03 09:00,19.5,66",
        "Time,RH (%),Rain (mm),Air temp (°F)",
        "2026-06-03 10:00,60,0.2,70",
      ),
      { siteTimeZone: "Europe/Paris" },
    );
    expect(rejected).toEqual([]);
    expect(rows.map(({ values: { airTemperature, humidity, rain } }) => [airTemperature, humidity, rain])).toEqual([
      [18.5, 70, null],
      [19.5, 66, null],
      [expect.closeTo(21.11, 2), 60, 0.2],
    ]);
  });

  it("are not seen in one table with an empty column, words among its figures, or its head again", () => {
    const { rows, notData, columns } = readSoilList(
      bytes(
        "Field;Sampled;;pH;P (mg/kg);Remark",
        "Tunnel 1;3.6.2026;;6,5;12;wet",
        "Field;Sampled;;pH;P (mg/kg);Remark",
        "Tunnel 2;3.6.2026;;6,7;n.d.;see sampled field",
      ),
      site,
    );
    expect(rows).toHaveLength(2);
    expect(columns).toHaveLength(6);
    expect(notData).toEqual([
      { line: 1, reason: "header" },
      { line: 3, reason: "repeated-header" },
    ]);
  });

  it("give back all their rows, however they are arranged", () => {
    const mass = fc.integer({ min: 1, max: 999 });
    const table = fc.record({
      zone: fc.constantFrom(...site.zones),
      kg: fc.array(mass, { minLength: 1, maxLength: 5 }),
    });
    fc.assert(
      fc.property(fc.array(table, { minLength: 2, maxLength: 3 }), fc.boolean(), (tables, beside) => {
        let day = 0;
        const drawn = tables.map(({ zone, kg }) => [
          ["Date", "Zone", "kg"],
          ...kg.map((one) => [`2026-06-${String(++day).padStart(2, "0")}`, zone, String(one)]),
        ]);
        const height = Math.max(...drawn.map((rows) => rows.length));
        const lines = beside
          ? Array.from({ length: height }, (_, at) =>
              drawn.map((rows) => (rows[at] ?? ["", "", ""]).join(";")).join(";;"),
            )
          : drawn.flatMap((rows) => [...rows.map((cells) => cells.join(";")), ""]);
        const { rows, rejected } = readPickList(bytes(...lines), site);
        expect(rejected).toEqual([]);
        expect(rows.map(({ values: { zone, massKg } }) => [zone, massKg])).toEqual(
          tables.flatMap(({ zone, kg }) => kg.map((one) => [zone, one])),
        );
      }),
      { numRuns: 200 },
    );
  });
});
