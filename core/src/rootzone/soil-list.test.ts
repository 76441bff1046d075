import { describe, expect, it } from "vitest";
import { readSoilList } from "./soil-list.ts";

const site = { zones: ["Tunnel 1"], timeZone: "Europe/Paris" };
const file = (...lines: string[]) => readSoilList(new TextEncoder().encode(`${lines.join("\n")}\n`), site);
const read = (...lines: string[]) => file(...lines).rows.map(({ values }) => values);

describe("a soil test", () => {
  it("tells calcium, sodium, nitrate and what the soil holds by charge, as oxide, element or by charge", () => {
    // 1 cmol(+) of Ca is 200.4 mg, of K 391 mg, of Na 229.9 mg, of Mg 121.5 mg; CaO is 71.47 % Ca.
    const [byCharge] = read(
      "Field,Sampled,pH (CaCl2),CEC (meq/100g),Exch. Ca cmol(+)/kg,Exch. Mg cmol(+)/kg,Exch. K cmol(+)/kg,Exch. Na cmol(+)/kg,NO3-N (mg/kg)",
      "Tunnel 1,2026-03-12,6.2,14.5,8.1,2,0.6,0.2,23",
    );
    expect(byCharge).toMatchObject({ ph: 6.2, phIn: "CaCl2", cecCmolKg: 14.5, nitrateNMgKg: 23 });
    expect(byCharge?.caMgKg).toBeCloseTo(8.1 * 200.39, 1);
    expect(byCharge?.mgMgKg).toBeCloseTo(2 * 121.525, 1);
    expect(byCharge?.kMgKg).toBeCloseTo(0.6 * 390.98, 1);
    expect(byCharge?.naMgKg).toBeCloseTo(0.2 * 229.9, 1);
    const [byOxide] = read(
      "Field;Sampled;pH in water;CaO (g/kg);P2O5 (mg/100g);K (mg K2O/100g)",
      "Tunnel 1;12.03.2026;7,1;3,5;18;22",
    );
    expect(byOxide).toMatchObject({ ph: 7.1, phIn: "water", naMgKg: null, cecCmolKg: null });
    expect(byOxide?.caMgKg).toBeCloseTo(3500 * 0.7147, 0);
    expect(byOxide?.pMgKg).toBeCloseTo(180 * 0.4364, 1);
    expect(byOxide?.kMgKg).toBeCloseTo(220 * 0.8301, 1);
  });

  it("keeps what lay below what could be measured, with its limit", () => {
    const [test] = read("Field,Sampled,pH,P (mg/kg),K (mg/kg)", "Tunnel 1,2026-03-12,6.5,<5,120");
    expect(test).toMatchObject({ pMgKg: null, kMgKg: 120, belowDetection: { pMgKg: { text: "<5", limit: 5 } } });
  });

  it("by area is turned into mass by the depth of its layer, and says with what soil", () => {
    const { rows } = file(
      "Field,Sampled,Depth,P (kg/ha),K2O (lb/acre),pH",
      "Tunnel 1,2026-03-12,0-20 cm,52.8,400,6.5",
      "Tunnel 1,2026-03-12,20-40 cm,52.8,,6.5",
    );
    // 20 cm of a hectare at 1.32 kg/L weigh 2640 t; 400 lb/acre are 448.3 kg/ha of K2O, of which 83.01 % is K.
    expect(rows[0]?.values.pMgKg).toBeCloseTo(20, 6);
    expect(rows[0]?.values.kMgKg).toBeCloseTo((448.34 * 0.8301 * 1000) / 2640, 1);
    expect(rows[0]?.flags).toMatchObject([
      { code: "by-depth", kind: "p", taken: "20 cm of soil at 1.32 kg/L (assumed)" },
      { code: "by-depth", kind: "k2o" },
    ]);
  });

  it("by area without a depth waits, and says why; one that stands above the table holds for all rows", () => {
    const [row] = file("Field,Sampled,P (kg/ha),pH", "Tunnel 1,2026-03-12,60,6.5").rows;
    expect(row).toMatchObject({ values: { pMgKg: null, ph: 6.5 }, flags: [{ code: "depth-needed", kind: "p" }] });
    const [told] = file("Depth: 0-30 cm", "Field,Sampled,P (kg/ha),pH", "Tunnel 1,2026-03-12,39.6,6.5").rows;
    expect(told?.values.depthCm).toEqual([0, 30]);
    expect(told?.values.pMgKg).toBeCloseTo(10, 6);
  });

  it("has its mineral nitrogen by area, from mass too", () => {
    const [byMass] = file("Feld;Datum;Tiefe;Nmin (mg/kg);pH", "Tunnel 1;12.03.2026;0-30;10;6,5").rows;
    expect(byMass?.values.mineralNKgHa).toBeCloseTo(10 * 0.132 * 30, 6);
    const [byArea] = file("Feld;Datum;Tiefe;Nmin (kg/ha);pH", "Tunnel 1;12.03.2026;0-30;40;6,5").rows;
    expect(byArea).toMatchObject({ values: { mineralNKgHa: 40 }, flags: [] });
  });

  it("of which only the lower end of a layer is told reaches down from the one above it", () => {
    const { rows } = file(
      "Field,Sampled,Depth (cm),pH",
      "Tunnel 1,2026-03-12,30,6.5",
      "Tunnel 1,2026-03-12,60,6.8",
      "Tunnel 1,2026-09-01,60,6.9",
    );
    expect(rows.map(({ values }) => values.depthCm)).toEqual([
      [0, 30],
      [30, 60],
      [0, 60],
    ]);
    expect(rows[1]?.flags).toMatchObject([{ code: "depth-from-end", taken: "from 30 to 60 cm" }]);
  });

  it("has depths in inches, with the unit in the cell or in the head", () => {
    const { rows } = file(
      "Field,Sampled,Depth (in),pH",
      "Tunnel 1,2026-03-12,0-6,6.5",
      'Tunnel 1,2026-03-12,"6 to 12 inches",6.8',
    );
    const flat = rows.flatMap(({ values }) => values.depthCm ?? []);
    [0, 15.24, 15.24, 30.48].forEach((end, at) => expect(flat[at]).toBeCloseTo(end, 6));
  });

  it("keeps with what each figure was found, from its head or from the column of methods", () => {
    const [inHead] = read(
      "Field,Sampled,pH (KCl),P-Olsen (mg/kg),K Mehlich3 (mg/kg)",
      "Tunnel 1,2026-03-12,6.5,12,120",
    );
    expect(inHead).toMatchObject({ phIn: "KCl", methods: { pMgKg: "Olsen", kMgKg: "Mehlich3" } });
    const [inColumn] = read(
      "Field: Tunnel 1",
      "Sampled: 12 March 2026",
      "Parameter;Result;Unit;Method",
      "pH;6.5;;ISO 10390",
      "P;12;mg/kg;Olsen, ISO 11263",
      "K;120;mg/kg;NH4OAc",
    );
    expect(inColumn).toMatchObject({
      ...{ zone: "Tunnel 1", takenOn: "2026-03-12", pMgKg: 12, kMgKg: 120 },
      methods: { ph: "ISO 10390", pMgKg: "Olsen, ISO 11263", kMgKg: "NH4OAc" },
    });
  });

  it("with a range, a struck figure or two in one cell keeps its row, and offers what is likely", () => {
    const [row] = file(
      "Field,Sampled,pH,P (mg/kg),K (mg/kg),Mg (mg/100g)",
      "Tunnel 1,2026-03-12,6.4-6.8,~~40~~ 14,110 / 120,8",
    ).rows;
    expect(row?.values).toMatchObject({ ph: null, pMgKg: null, kMgKg: null, mgMgKg: 80 });
    expect(row?.flags).toEqual([
      { code: "range", kind: "ph", raw: "6.4-6.8", offer: { ph: expect.closeTo(6.6, 9) as number } },
      { code: "struck", kind: "p", raw: "~~40~~ 14", offer: { pMgKg: 14 } },
      { code: "several", kind: "k", raw: "110 / 120" },
    ]);
  });

  it("of a file that tells no day is from the day that somebody says", () => {
    const lines = ["Field,pH,P (mg/kg)", "Tunnel 1,6.5,12"];
    expect(file(...lines).lacks).toEqual([["date"]]);
    const said = readSoilList(new TextEncoder().encode(lines.join("\n")), { ...site, day: "2026-03-12" });
    expect(said).toMatchObject({ lacks: [], rows: [{ values: { takenOn: "2026-03-12", pMgKg: 12 } }] });
  });
});

describe("a soil report with a column for each", () => {
  const three = { zones: ["House 1", "House 2", "Tunnel 3"], timeZone: "UTC" };
  const rowsOf = (zoneNames: Record<string, string> | undefined, ...lines: string[]) =>
    readSoilList(new TextEncoder().encode(`${lines.join("\n")}\n`), { ...three, ...(zoneNames && { zoneNames }) });

  it("zone has it from its head; one that no zone is called is asked for", () => {
    const lines = [
      "Parameter,Unit,House 1,North bed",
      "Sampled,,2026-03-12,2026-03-13",
      "pH (H2O),,6.4,7.0",
      "P Olsen,mg/kg,38,17",
    ];
    const asked = rowsOf(undefined, ...lines);
    expect(asked.rows.map(({ values }) => [values.zone, values.takenOn, values.ph, values.pMgKg])).toEqual([
      ["House 1", "2026-03-12", 6.4, 38],
    ]);
    expect(asked.rejected).toMatchObject([{ reason: "unknown-zone", detail: "North bed" }]);
    expect(asked.lacks).toEqual([]);
    const said = rowsOf({ "North bed": "Tunnel 3" }, ...lines);
    expect(said.rows.map(({ values }) => [values.zone, values.pMgKg])).toEqual([
      ["House 1", 38],
      ["Tunnel 3", 17],
    ]);
  });

  it("depth has a row for each", () => {
    const { rows } = rowsOf(
      undefined,
      "Field,Date,pH 0-30,pH 30-60,P 0-30 (mg/kg),P 30-60 (mg/kg)",
      "House 1,2026-03-12,6.4,6.9,38,17",
    );
    expect(rows.map(({ values: { depthCm, ph, pMgKg } }) => [depthCm, ph, pMgKg])).toEqual([
      [[0, 30], 6.4, 38],
      [[30, 60], 6.9, 17],
    ]);
  });
});
