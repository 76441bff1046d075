import { describe, expect, it } from "vitest";
import { readPickList } from "../harvest/pick-list.ts";
import { readReadingList } from "../rootzone/reading-list.ts";
import { readSoilList } from "../rootzone/soil-list.ts";
import { readWaterTable } from "../water/water-table.ts";

const bytes = (...lines: string[]): Uint8Array => new TextEncoder().encode(`${lines.join("\n")}\n`);
const site = { zones: ["Tunnel 1", "Tunnel 2"], timeZone: "Europe/Paris" };
const kindsIn = (table: { columns: readonly { header: string; kind: string }[] }) =>
  Object.fromEntries(table.columns.map(({ header, kind }) => [header, kind]));

describe("the shape of a table", () => {
  it("may have its head in two rows, groups over what they hold", () => {
    const table = readReadingList(
      bytes(
        "Notebook of June;;;;;;;",
        "Datum;Uhrzeit;Abteil;Gabe;;Drain;;",
        ";;;EC;pH;EC;pH;%",
        "1.6.26;7:30;Tunnel 1;2,1;5,6;2,9;6,0;28",
      ),
      site,
    );
    expect(kindsIn(table)).toMatchObject({
      "Gabe EC": "feedEc",
      "Gabe pH": "dripPh",
      "Drain EC": "drainEc",
      "Drain %": "drainPct",
    });
    expect(table.rows.map(({ values }) => values)).toMatchObject([
      { feedEcMsCm: 2.1, drainEcMsCm: 2.9, drainPh: 6, drainPct: 28 },
    ]);
    expect(table.notData.map(({ reason }) => reason)).toEqual(["preamble", "header", "header"]);
  });

  it("may have a row of units, even after a blank line, and one of them that nobody understands is asked for", () => {
    const table = readReadingList(
      bytes("date,time,zone,EC drip,EC drain", "", ",,,mS/cm,furlongs", "2026-06-01,08:00,Tunnel 1,2.1,2.9"),
      site,
    );
    expect(table.columns.map(({ unit, unknownUnit }) => unknownUnit ?? unit)).toEqual([
      "",
      "",
      "",
      "mS/cm",
      "furlongs",
    ]);
    expect(table.rows[0]?.values).toMatchObject({ dripEcMsCm: 2.1, drainEcMsCm: null });
    expect(table.rows[0]?.flags.map(({ code }) => code)).toEqual(["unit-unknown"]);
  });

  it("may have its units in a column of their own, row by row", () => {
    const { rows } = readPickList(
      bytes(
        "Date,House,Weight,Unit",
        "2026-06-01,Tunnel 1,12,kg",
        "2026-06-02,Tunnel 1,500,g",
        "2026-06-03,Tunnel 2,3,cubits",
        "2026-06-04,Tunnel 2,2,lb",
      ),
      site,
    );
    expect(rows.map(({ values }) => values.massKg)).toEqual([12, 0.5, expect.closeTo(0.907, 3)]);
  });

  it("may lie across, with samples beside each other and what is told once for all of them", () => {
    const table = readSoilList(
      bytes(
        "Laboratory Green",
        "Reference;Tunnel 1;Tunnel 2;Norm",
        "Sampled: 12/03/2026",
        "Depth (cm);0-30;30-60;",
        "pH;6,8;7,1;6-7",
        "P2O5 (mg/kg);240;310;200",
        "Lab method;A;B;",
      ),
      site,
    );
    expect(table.rows.map(({ values }) => values)).toMatchObject([
      { zone: "Tunnel 1", takenOn: "2026-03-12", depthCm: [0, 30], ph: 6.8 },
      { zone: "Tunnel 2", takenOn: "2026-03-12", depthCm: [30, 60], ph: 7.1 },
    ]);
  });

  it("may lie across with one sample, each amount with its unit: amounts are no row of units", () => {
    const table = readSoilList(
      bytes(
        "Test of soil;",
        "Field;Tunnel 2",
        "Sampled on;30.9.2026",
        "Date of report;17.11.2026",
        "Depth;0 - 20 cm",
        "pH(CaCl2);6,3",
        "P-AL;11 mg/100g",
        "K-AL;18 mg/100g",
      ),
      site,
    );
    expect(table.rows.map(({ values }) => values)).toMatchObject([
      { zone: "Tunnel 2", takenOn: "2026-09-30", depthCm: [0, 20], ph: 6.3, phIn: "CaCl2", pMgKg: 110, kMgKg: 180 },
    ]);
  });

  it("may have a row for each figure, put together by sample", () => {
    const table = readWaterTable(
      bytes(
        "Probe;Datum;Parameter;Messwert;Einheit",
        "Brunnen;12.03.2026;Calcium;98;mg/l",
        "Brunnen;12.03.2026;Nitrat;18;mg/l",
        "Teich;13.03.2026;Calcium;1,2;mmol/l",
        "Teich;13.03.2026;Nitrat;<0,5;mg/l",
      ),
    );
    expect(table.lies).toBe("long");
    expect(table.samples).toMatchObject([
      { source: "Brunnen", takenOn: "2026-03-12", ions: { Ca: expect.closeTo(98 / 40.078, 6) as number } },
      {
        source: "Teich",
        takenOn: "2026-03-13",
        ions: { Ca: 1.2 },
        belowDetection: [{ analyte: "NO3", text: "<0,5 mg/l" }],
      },
    ]);
  });

  it("has notes, sums and captions about its rows, which are none", () => {
    const table = readPickList(
      bytes(
        "Picks;;;",
        "Datum;Haus;Menge (kg);Note",
        "Woche 23;;;",
        "3.6.2026;Tunnel 1;12;",
        "4.6.2026;Tunnel 2;10;wet",
        "Summe;;22;",
        "",
        "Signed by M.",
      ),
      site,
    );
    expect(table.rows.map(({ line }) => line)).toEqual([4, 5]);
    expect(table.notData).toEqual([
      { line: 1, reason: "preamble" },
      { line: 2, reason: "header" },
      { line: 3, reason: "caption" },
      { line: 6, reason: "totals" },
      { line: 7, reason: "blank" },
      { line: 8, reason: "comment" },
    ]);
  });

  it("keeps rows whose words look like sums: a product called Max, a remark about the total", () => {
    const table = readPickList(
      bytes(
        "Date;House;kg;Grade;Note",
        "3.6.2026;Tunnel 1;12;I;max of the week",
        "4.6.2026;Tunnel 2;10;I;best in total",
        "Total;;22;;",
      ),
      site,
    );
    expect(table.rows.map(({ line }) => line)).toEqual([2, 3]);
    expect(table.notData.at(-1)).toEqual({ line: 4, reason: "totals" });
  });

  it("with a figure for each row takes none of two that differ, and keeps a limit in its own unit", () => {
    const { samples, notData } = readWaterTable(
      bytes(
        "Probe;Datum;Parameter;Wert;Einheit",
        "A;12.03.2026;Calcium;98;mg/l",
        "A;12.03.2026;Calcium;80;mg/l",
        "A;12.03.2026;Nitrat;<0,5;mmol/l",
        "A;12.03.2026;Chlorid;31;mg/l",
        "A;12.03.2026;Chlorid;31;mg/l",
        "Signed by M.;;;;",
      ),
    );
    expect(samples[0]?.ions.Ca).toBeUndefined();
    expect(samples[0]).toMatchObject({
      setAside: [{ analyte: "Ca", text: "98 mg/l / 80 mg/l" }],
      belowDetection: [{ analyte: "NO3", text: "<0,5 mmol/l" }],
      ions: { Cl: expect.closeTo(31 / 35.45, 4) as number },
    });
    expect(notData.map(({ line }) => line)).toEqual([1, 7]);
  });

  it("of one zone without its name takes the site's only zone, and of several asks which", () => {
    const file = bytes("date,time,EC drip (mS/cm)", "2026-06-01,08:00,2.1");
    expect(readReadingList(file, { ...site, zones: ["Kas 1"] }).rows[0]?.values.zone).toBe("Kas 1");
    expect(readReadingList(file, site).rejected).toMatchObject([
      { reason: "unknown-zone", detail: "no column names the zone; choose it" },
    ]);
    expect(readReadingList(file, { ...site, zone: "Tunnel 2" }).rows[0]?.values.zone).toBe("Tunnel 2");
  });

  it("that tells no time of day counts as of noon, or of the hour that somebody says", () => {
    const file = bytes("date,zone,EC drip (mS/cm)", "2026-06-01,Tunnel 1,2.1");
    const at = (hour?: string) =>
      new Date(readReadingList(file, { ...site, hour }).rows[0]?.values.atMs ?? 0).toISOString();
    expect(readReadingList(file, site).dialect.untimed).toBe(true);
    expect(at()).toBe("2026-06-01T10:00:00.000Z");
    expect(at("07:30")).toBe("2026-06-01T05:30:00.000Z");
  });
});

describe("a column that no word names", () => {
  it("is taken for the pH where its figures lie as only a pH's do, and is to be checked", () => {
    const rows = ["6,1", "6,4", "7,2", "5,8", "6,9"].map((ph, at) => `Tunnel 1;1${at}.03.2026;${ph};${200 + at}`);
    const { columns } = readSoilList(bytes("Feld;Datum;Qwrt;Kalium (mg/kg)", ...rows), site);
    expect(columns[2]).toMatchObject({ kind: "ph", certainty: 0.3, because: "its figures lie from 5.8 to 7.2" });
    const others = readSoilList(
      bytes("Feld;Datum;Qwrt;Kalium (mg/kg)", ...rows.map((row) => row.replace(/;\d,/, ";3,"))),
      site,
    );
    expect(others.columns[2]).toMatchObject({ kind: "ignore" });
  });
});

describe("the order of days and months", () => {
  const read = (dates: readonly string[], today?: string) =>
    readPickList(bytes("Date,House,kg", ...dates.map((date, at) => `${date},Tunnel 1,${at + 1}`)), { ...site, today });

  it("is told by how near its days lie to each other where all of them exist either way", () => {
    expect(read(["01/06/2026", "02/06/2026", "03/06/2026", "04/06/2026"]).dialect).toMatchObject({
      dateOrder: "dmy",
      dateOrderAssumed: false,
    });
    expect(read(["06/01/2026", "06/02/2026", "06/03/2026", "06/04/2026"]).dialect).toMatchObject({
      dateOrder: "mdy",
      dateOrderAssumed: false,
    });
  });

  it("is told by what is still to come, and asked for where nothing tells it", () => {
    expect(read(["3/12/2026"], "2026-04-01").dialect).toMatchObject({ dateOrder: "mdy", dateOrderAssumed: false });
    expect(read(["3/4/2026"], "2026-06-01").dialect).toMatchObject({ dateOrderAssumed: true });
  });
});
