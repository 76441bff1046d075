import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { CHARGE, type Ion, type Ions } from "../chemistry/ions.ts";
import { STORES, SUBSTRATE } from "../site/zones-for-tests.ts";
import { rootZone, type RootZoneInput } from "./root-zone.ts";

const zones = [SUBSTRATE, ...STORES] as unknown as RootZoneInput["zone"][];
const even = { ...(zones[0] as RootZoneInput["zone"]), uniformityPct: 100 };
const known = { stayingUptakeShare: 0.1, co2Pct: 1, temperatureC: 25 };
const chargeOf = (ions: Ions): number =>
  Object.entries(ions).reduce((sum, [ion, amount]) => sum + CHARGE[ion as Ion] * amount, 0);

const amount = (most: number) => evenly(0, most);
const feed = fc.record({
  NO3: amount(20),
  NH4: amount(3),
  H2PO4: amount(3),
  K: amount(12),
  Ca: amount(8),
  Na: amount(10),
  Cl: amount(10),
});
/** Balanced by its bicarbonate, or by chloride where that would be negative. */
const neutral = feed.map((ions) => {
  const charge = chargeOf(ions);
  return charge >= 0 ? { ...ions, HCO3: charge } : { ...ions, K: ions.K - charge };
});

describe.each(zones.map((zone) => [zone.system, zone] as const))("ions in %s", (_system, zone) => {
  it("come, stay, are taken or leave, none out of nothing, and what stands stays neutral", () => {
    const hour = fc.record({
      demandMm: amount(1.2),
      rainMm: fc.oneof(fc.constant(0), amount(40)),
      waterMm: fc.oneof(fc.constant(0), amount(30)),
      ionsMmolL: neutral,
    });
    fc.assert(
      fc.property(fc.array(hour, { minLength: 1, maxLength: 60 }), neutral, feed, (hours, startMmolL, uptake) => {
        const { hours: stood, balance } = rootZone({
          zone,
          rootDepthM: 0.5,
          hours,
          ions: { ...known, startMmolL, uptakeMmolL: uptake },
        });
        for (const { residualMmolM2, inMmolM2 } of Object.values(balance.ions ?? {}))
          expect(Math.abs(residualMmolM2)).toBeLessThan(1e-7 * Math.max(1, inMmolM2));
        for (const { ionsMmolL = {} } of stood) {
          const sum = Object.values(ionsMmolL).reduce((all, mmolL) => all + Math.abs(mmolL), 0);
          expect(Math.abs(chargeOf(ionsMmolL))).toBeLessThan(1e-7 * Math.max(1, sum));
          for (const [ion, mmolL] of Object.entries(ionsMmolL))
            if (ion !== "HCO3") expect(mmolL).toBeGreaterThanOrEqual(-1e-9);
        }
      }),
      { numRuns: 30 },
    );
  });
});

describe("the pH round roots", () => {
  const still = (start: Ions, more: object = {}) =>
    rootZone({ zone: even, hours: [{ demandMm: 0 }], ions: { ...known, startMmolL: start, ...more } }).hours[0]?.ph;

  it("is 5.6 of pure water in the open air, and falls by half with a hundred times the carbon dioxide", () => {
    expect(still({}, { co2Pct: 0.042 })).toBeCloseTo(5.6, 1);
    // h² = k1 · kh · pCO₂
    expect(still({}, { co2Pct: 4.2 })).toBeCloseTo((still({}, { co2Pct: 0.042 }) ?? NaN) - 1, 2);
  });

  it("follows pK1 + log(HCO₃ · γ / CO₂): a millimole at 1 % of carbon dioxide is 6.76", () => {
    // Kh 10^−1.47, pK1 6.352, γ 0.87: 6.352 + log(0.87 · 1e-3 / 3.4e-4)
    expect(still({ K: 1, HCO3: 1 })).toBeCloseTo(6.76, 1);
  });

  it("rises as nitrate is taken, and falls as ammonium is", () => {
    const after = (uptakeMmolL: Ions) =>
      rootZone({
        zone: even,
        hours: Array.from({ length: 20 }, () => ({ demandMm: 0.5 })),
        ions: { ...known, startMmolL: { K: 5, NH4: 2, NO3: 6, HCO3: 1 }, uptakeMmolL },
      }).hours.at(-1);
    // 40 mm hold 40 mmol/m² of bicarbonate; 10 mm are taken with 2 mmol/L each: 60 in 30 mm
    expect(after({ NO3: 2 })?.ionsMmolL?.HCO3).toBeCloseTo(2, 9);
    expect(after({ NO3: 2 })?.ph).toBeGreaterThan(still({ K: 1, HCO3: 1 }) ?? NaN);
    expect(after({ NH4: 2 })?.ionsMmolL?.HCO3).toBeCloseTo(20 / 30, 9);
    expect(after({ NH4: 2 })?.ph).toBeLessThan(still({ K: 1, HCO3: 1 }) ?? NaN);
  });
});

describe("sodium in a tank that nothing leaves", () => {
  it("runs to what comes in over the share that is taken, in a straight exponential (Carmassi et al. 2005)", () => {
    const tank = zones.find(({ system }) => system === "solution-tank") as RootZoneInput["zone"];
    const hours = Array.from({ length: 6000 }, () => ({ demandMm: 0.2, waterMm: 0.2, ionsMmolL: { Na: 1, Cl: 1 } }));
    const { hours: stood, balance } = rootZone({
      zone: tank,
      hours,
      ions: { ...known, startMmolL: { Na: 2, Cl: 2 } },
    });
    const volumeMm = (balance.ions?.["Na"]?.changeMmolM2 ?? NaN) / ((stood.at(-1)?.ionsMmolL?.Na ?? NaN) - 2);
    const expected = (at: number): number => 10 + (2 - 10) * Math.exp((-0.1 * 0.2 * (at + 1)) / volumeMm);
    for (const at of [0, 600, 3000, 5999]) expect((stood[at]?.ionsMmolL?.Na ?? NaN) / expected(at)).toBeCloseTo(1, 2);
  });
});

describe("ions that cannot be followed", () => {
  const ask = (ions: NonNullable<RootZoneInput["ions"]>) => () =>
    rootZone({ zone: even, hours: [{ demandMm: 0 }], ions });

  it.each([
    [{ startMmolL: { Fe: 20 } }, "ions.startMmolL.Fe"],
    [{ startMmolL: { K: -1 } }, "ions.startMmolL.K"],
    [{ uptakeMmolL: { HCO3: 1 } }, "ions.uptakeMmolL.HCO3"],
    [{ co2Pct: 50 }, "ions.co2Pct"],
  ])("refuses %j at %s", (ions, path) => {
    expect(ask(ions)).toThrow(
      expect.objectContaining({ faults: expect.arrayContaining([expect.objectContaining({ path })]) }),
    );
  });

  it("says what it assumed of the air between the roots, and of sodium", () => {
    const { warnings } = ask({})();
    expect(warnings.join(" ")).toMatch(/1 % of carbon dioxide.*assumed.*0.1 of their concentration.*assumed/);
    expect(ask(known)().warnings).toEqual([]);
  });
});
