import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { describe, expect, it } from "vitest";
import { readWaterTable } from "./water-table.ts";

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
    belowDetection: Record<string, { text: string }>;
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
      expect(sample?.belowDetection.map(({ analyte, text }) => [analyte, text]).sort()).toEqual(
        Object.entries(report.belowDetection)
          .map(([ion, { text }]) => [ion, text])
          .sort(),
      );
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
