import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { describe, expect, it } from "vitest";
import { readWaterTable, withHalfLimits } from "./water-table.ts";

const folder = fileURLToPath(new URL("../../../demo/imports", import.meta.url));

interface Expected {
  counts: Record<string, number>;
  notData: { line: number; reason: string }[];
  rejected: { line: number; reason: string }[];
  flagged: { line: number; flags: { code: string; ion?: string; factor?: number; offerMmolL?: number }[] }[];
  reports: {
    source: string;
    takenOn: string;
    lines: number[];
    ph: number;
    ecMsCm: number;
    ionsMmolL: Record<string, number>;
    traceUmolL: Record<string, number>;
    belowDetection: Record<string, { text: string; limit: number; unit: string }>;
    notTested: string[];
    hardnessMmolL?: number;
    chargeErrorPct: number;
    verdict: string;
    ecFromIonsMsCm: number;
    ecWithin10Pct: boolean;
  }[];
}

describe.each(["water-mgl", "water-mmol", "water-meq", "water-unbalanced", "water-slip"])("the lab file %s", (name) => {
  const expected = JSON.parse(readFileSync(`${folder}/${name}.expected.json`, "utf8")) as Expected;
  const table = readWaterTable(readFileSync(`${folder}/${name}.csv`));

  it("is judged line by line", () => {
    expect(table.notData).toEqual(expected.notData);
    expect(table.rejected).toMatchObject(expected.rejected.map(({ line, reason }) => ({ line, reason })));
    expect(table.counts).toEqual(expected.counts);
  });

  it.each(expected.reports.map((report, at) => [`${report.source} of ${report.takenOn}`, report, at] as const))(
    "gives %s in the units of recipes",
    (_name, report, at) => {
      const sample = table.samples[at];
      expect(sample).toMatchObject({ source: report.source, takenOn: report.takenOn, ph: report.ph });
      expect(sample?.ecMsCm).toBeCloseTo(report.ecMsCm, 3);
      const ions = { ...report.ionsMmolL, ...report.traceUmolL };
      expect(Object.keys(sample?.ions ?? {}).sort()).toEqual(Object.keys(ions).sort());
      for (const [ion, amount] of Object.entries(ions))
        expect(Math.abs((sample?.ions[ion as "Ca"] ?? NaN) - amount), ion).toBeLessThanOrEqual(
          Math.max(0.002, 0.005 * amount),
        );
      const byAnalyte = new Map<string, unknown>(sample?.belowDetection.map((below) => [below.analyte, below]));
      expect(byAnalyte.size).toBe(Object.keys(report.belowDetection).length);
      for (const [ion, { text, limit, unit }] of Object.entries(report.belowDetection)) {
        expect(byAnalyte.get(ion)).toMatchObject({ text, unit });
        expect(((byAnalyte.get(ion) as { limit?: number }).limit ?? NaN) / limit).toBeCloseTo(1, 3);
      }
      expect(sample?.notTested).toEqual(report.notTested);
      if (report.hardnessMmolL !== undefined) expect(sample?.hardnessMmolL).toBeCloseTo(report.hardnessMmolL, 2);
      expect(Math.abs((sample?.check?.errorPct ?? NaN) - report.chargeErrorPct)).toBeLessThan(0.3);
      expect(sample?.check).toMatchObject({ verdict: report.verdict, ecWithin10Pct: report.ecWithin10Pct });
      expect(Math.abs((sample?.check?.ecFromIonsMsCm ?? NaN) / report.ecFromIonsMsCm - 1)).toBeLessThan(0.035);
    },
  );

  it("offers the slip of ten that explains a report, and mends none", () => {
    const slips = expected.flagged.flatMap(({ flags }) => flags.filter((flag) => flag.code === "scale-slip"));
    expect(table.samples.flatMap((sample) => sample.check?.slip ?? [])).toMatchObject(
      slips.map(({ ion, factor, offerMmolL }) => ({ ion, factor, offerMmolL: expect.closeTo(offerMmolL ?? NaN, 3) })),
    );
  });
});

it("refuses a file without a table, in words", () => {
  expect(() => readWaterTable(new TextEncoder().encode("Dear grower,\nthe report follows.\n"))).toThrow(
    /No water report/,
  );
});

it("counts an ion in what its unit names: calcium as CaCO₃, nitrate as N, in a column or in a cell", () => {
  const [sample] = readWaterTable(
    new TextEncoder().encode(
      "date,source,pH,Calcium (mg/L CaCO3),Magnesium (mg/L as CaCO3),Nitrate (mg N/L),Nitrate-N (mg NO3/L),Alkalinity (mg/L CaCO3),Sulfate (mg/L)\n2026-03-12,Well,7.2,200,50,7,,150,48 mg S/L\n",
    ),
  ).samples;
  // 100.09 mg of CaCO₃ carry a mmol of Ca or Mg, or answer two of bicarbonate; 14.007 mg of N one of nitrate.
  expect(sample?.ions.Ca).toBeCloseTo(200 / 100.086, 3);
  expect(sample?.ions.Mg).toBeCloseTo(50 / 100.086, 3);
  expect(sample?.ions.NO3).toBeCloseTo(7 / 14.007, 3);
  expect(sample?.ions.HCO3).toBeCloseTo((2 * 150) / 100.086, 3);
  expect(sample?.ions.SO4).toBeCloseTo(48 / 32.06, 3);
});

describe("what lay below what could be measured", () => {
  const [sample] = readWaterTable(
    new TextEncoder().encode(
      "date,source,pH,EC (mS/cm),Ca (mmol/L),Cl (mmol/L),Na (mmol/L),NO3 (mmol/L),Fe (mg/L),SO4\n2026-03-12,Well,7.2,0.4,1,2,<0.4,<0.4,traces,<5 flurps\n",
    ),
  ).samples;

  it("is kept as such, with its limit where the file names one that is understood", () => {
    expect(sample?.ions).toEqual({ Ca: 1, Cl: 2 });
    expect(sample?.belowDetection).toEqual([
      { analyte: "Na", text: "<0.4", limit: 0.4, unit: "mmol/L" },
      { analyte: "NO3", text: "<0.4", limit: 0.4, unit: "mmol/L" },
      { analyte: "Fe", text: "traces", limit: null, unit: null },
      { analyte: "SO4", text: "<5 flurps", limit: null, unit: null },
    ]);
  });

  it("counts with half of its limit in sums, and not at all where none is named", () => {
    expect(sample?.check?.cationsMeqL).toBeCloseTo(2 + 0.2, 9);
    expect(sample?.check?.anionsMeqL).toBeCloseTo(2 + 0.2, 9);
    expect(withHalfLimits({ Ca: 1 }, [{ analyte: "Na", limit: 0.4 }])).toEqual({ Ca: 1, Na: 0.2 });
    expect(withHalfLimits({ Ca: 1 }, [{ analyte: "Ca", limit: 9 }])).toEqual({ Ca: 1 });
  });
});

it("sets a range, a struck figure and two in one cell aside by themselves, each with what it is", () => {
  const { samples } = readWaterTable(
    new TextEncoder().encode(
      "Parameter;Result;Unit;Method;LOQ\npH;7,2;;ISO 10523;\nCalcium;80-90;mg/l;ISO 11885;0,1\nChloride;~~71~~ 35,45;mg/l;ISO 10304;1\nNitrate;12 / 14;mg/l;ISO 10304;1\nSodium;23;mg/l;ISO 11885;0,1\nSulphate;>200;mg/l;ISO 10304;1\n",
    ),
  );
  expect(samples).toHaveLength(1);
  expect(samples[0]?.setAside.map(({ analyte, why }) => [analyte, why])).toEqual([
    ["Ca", "range"],
    ["Cl", "struck"],
    ["NO3", "several"],
    ["SO4", "above"],
  ]);
  expect(samples[0]).toMatchObject({ ph: 7.2, methods: { ph: "ISO 10523", Na: "ISO 11885", Cl: "ISO 10304" } });
  expect(samples[0]?.ions.Na).toBeCloseTo(23 / 22.99, 3);
});
