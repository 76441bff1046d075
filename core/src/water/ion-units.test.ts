import { describe, expect, it } from "vitest";
import type { IONS } from "../chemistry/ions.ts";
import { ionUnits } from "./ion-units.ts";
import { readWaterTable } from "./water-table.ts";

const factor = (ion: (typeof IONS)[number], unit: string) =>
  ionUnits(ion).find((one) => one.unit === unit)?.factor ?? NaN;

/** What a file's single figure of an ion comes out as. */
const readOne = (ion: (typeof IONS)[number], unit: string): number | undefined =>
  readWaterTable(new TextEncoder().encode(`date,pH,EC (mS/cm),${ion} (${unit}),SO4 (mg/L)\n2026-06-01,7,0.5,1,20\n`))
    .samples[0]?.ions[ion];

describe("units of a typed report", () => {
  it("turn milligrams and milliequivalents of the ion into mmol/L, as by its molar mass and charge", () => {
    // 40.08 mg Ca is a mmol, and two meq; 61.02 mg of HCO3 a mmol; 62.00 mg of NO3.
    expect(40.078 * factor("Ca", "mg/L")).toBeCloseTo(1, 3);
    expect(2 * factor("Ca", "meq/L")).toBe(1);
    expect(61.017 * factor("HCO3", "mg/L")).toBeCloseTo(1, 3);
    expect(62.005 * factor("NO3", "mg/L")).toBeCloseTo(1, 3);
  });

  it("turn milligrams of a trace element into µmol/L", () => {
    expect(0.5 * factor("B", "mg/L")).toBeCloseTo(500 / 10.81, 2);
    expect(ionUnits("Fe").map(({ unit }) => unit)).toEqual(["µmol/L", "mg/L"]);
  });

  it("agree with how a file of the same figures is read", () => {
    for (const ion of ["Ca", "Mg", "K", "Na", "Cl", "HCO3", "Fe", "Mn", "Zn", "B", "Cu"] as const)
      for (const { unit, factor: own } of ionUnits(ion))
        expect([ion, unit, readOne(ion, unit)]).toEqual([ion, unit, expect.closeTo(own, 9)]);
  });
});
