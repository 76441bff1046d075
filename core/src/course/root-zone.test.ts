import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { STORES, SUBSTRATE } from "../site/zones-for-tests.ts";
import { rootZone, type RootZoneHour, type RootZoneInput } from "./root-zone.ts";

const zones = [SUBSTRATE, ...STORES] as unknown as RootZoneInput["zone"][];
const named = zones.map((zone) => [zone.system, zone] as const);
const zoneOf = (system: string, more: Record<string, number> = {}): RootZoneInput["zone"] => {
  const found = zones.find((zone) => zone.system === system);
  if (!found) throw new Error(`${system} is among them`);
  return { ...found, ...more };
};
const rest = (hours: number, demandMm = 0): RootZoneHour[] => Array.from({ length: hours }, () => ({ demandMm }));

const hour = fc.record({
  demandMm: evenly(0, 1.5),
  rainMm: fc.oneof(fc.constant(0), evenly(0, 60)),
  waterMm: fc.oneof(fc.constant(0), evenly(0, 40)),
  ecMsCm: evenly(0, 8),
});
const weather = fc.record({
  hours: fc.array(hour, { minLength: 1, maxLength: 120 }),
  p: fc.option(evenly(0.1, 0.8), { nil: null }),
  rootDepthM: evenly(0.1, 1.5),
});

describe.each(named)("%s through hours", (_system, zone) => {
  it("loses no water and no salt, takes or lacks what is demanded, and never holds less than nothing", () => {
    fc.assert(
      fc.property(weather, ({ hours, p, rootDepthM }) => {
        const crop = p === null ? {} : { crop: { depletionFraction: p } };
        const { hours: stood, balance } = rootZone({ zone, rootDepthM, ...crop, hours });
        expect(Math.abs(balance.water.residualMm)).toBeLessThan(1e-6);
        expect(Math.abs(balance.salt.residualEcMm)).toBeLessThan(1e-6);
        stood.forEach(({ takenMm, shortMm, drainMm, lostMm, overflowMm, ecMsCm }, at) => {
          expect(takenMm + shortMm).toBeCloseTo(hours[at]?.demandMm ?? NaN, 9);
          for (const mm of [takenMm, shortMm, drainMm, lostMm, overflowMm, ecMsCm])
            expect(mm).toBeGreaterThanOrEqual(-1e-9);
        });
      }),
      { numRuns: 60 },
    );
  });

  it("never ends drier for more water, hour by hour", () => {
    fc.assert(
      fc.property(weather, fc.nat({ max: 119 }), evenly(0.1, 20), ({ hours, p }, at, more) => {
        const crop = { crop: { depletionFraction: p ?? 0.5 } };
        const wetter = hours.map((asked, k) =>
          k === at % hours.length ? { ...asked, waterMm: asked.waterMm + more } : asked,
        );
        const [less, plus] = [hours, wetter].map((asked) => rootZone({ zone, rootDepthM: 0.6, ...crop, hours: asked }));
        less?.hours.forEach(({ depletionMm }, k) =>
          expect(plus?.hours[k]?.depletionMm).toBeLessThanOrEqual(depletionMm + 1e-9),
        );
      }),
      { numRuns: 40 },
    );
  });

  it("stays a number over a season without water, and over a flood", () => {
    const dry = rootZone({ zone, rootDepthM: 0.6, crop: { depletionFraction: 0.4 }, hours: rest(4800, 0.4) });
    const flood = rootZone({ zone, rootDepthM: 0.6, hours: [{ demandMm: 0, waterMm: 1500, ecMsCm: 2 }, ...rest(200)] });
    for (const { hours } of [dry, flood])
      for (const stood of hours) for (const value of Object.values(stood)) expect(Number.isFinite(value)).toBe(true);
    expect(dry.hours.at(-1)?.shortMm).toBeGreaterThan(0);
  });
});

describe("published examples", () => {
  const soil = (availableMmM: number) => zoneOf("soil-drip", { availableMmM, wettedPct: 100, uniformityPct: 100 });
  const valueOf = (answer: ReturnType<typeof rootZone>, label: string): number =>
    answer.working.find((step) => step.label === label)?.value ?? NaN;

  // TAW 90, 170 and 120 mm/m of loamy sand, silt and silty clay.
  it.each([
    ["onion", 0.4, 0.3, [36, 68, 48], [11, 20, 14]],
    ["tomato", 0.8, 0.4, [72, 136, 96], [29, 54, 38]],
    ["maize", 1.2, 0.55, [108, 204, 144], [59, 112, 79]],
  ] as const)(
    "FAO-56, example 36: the water that is there and easy to take for %s",
    (_crop, rootDepthM, p, taw, raw) => {
      [90, 170, 120].forEach((availableMmM, at) => {
        const answer = rootZone({
          zone: soil(availableMmM),
          rootDepthM,
          crop: { depletionFraction: p },
          hours: rest(1),
        });
        expect(valueOf(answer, "Available to the crop")).toBeCloseTo(taw[at] ?? NaN, 6);
        expect(Math.round(valueOf(answer, "Easy to take"))).toBe(raw[at]);
      });
    },
  );

  it("FAO-56, example 37: a tomato crop that is not watered for ten days takes less from the third on", () => {
    // TAW 160, RAW 64, 55 mm gone at the start, 6.1 mm wanted a day: each day in one step, as the example has it.
    const { hours } = rootZone({
      zone: soil(200),
      rootDepthM: 0.8,
      crop: { depletionFraction: 0.4 },
      start: { depletionMm: 55 },
      hours: rest(10, 6.1),
    });
    const taken = [6.1, 6.1, 5.9, 5.5, 5.2, 4.8, 4.5, 4.3, 4.0, 3.7];
    hours.forEach(({ takenMm }, day) => expect(Math.abs(takenMm - (taken[day] ?? NaN))).toBeLessThan(0.06));
    expect(hours.at(-1)?.depletionMm).toBeCloseTo(105, 0);
  });
});

describe("a root zone by the hour", () => {
  it("starts full, at an EC of 1", () => {
    for (const zone of zones) {
      const { hours } = rootZone({ zone, rootDepthM: 0.5, hours: rest(1) });
      // Only a basin seeps while nobody asks anything of it.
      expect(hours[0]?.depletionMm).toBeCloseTo(zone.system === "basin" ? 4 / 24 : 0, 9);
      expect(hours[0]?.ecMsCm).toBeCloseTo(1, 9);
    }
  });

  it("takes demand · Ks past the easy share: TAW 54, p 0.5, 40.5 mm gone leave half (FAO-56, eq. 84)", () => {
    // 150 mm/m · 0.6 m · 60 % = 54 mm; Ks = (54 − 40.5) / (0.5 · 54) = 0.5
    const { hours } = rootZone({
      zone: zoneOf("soil-drip"),
      rootDepthM: 0.6,
      crop: { depletionFraction: 0.5 },
      start: { depletionMm: 40.5 },
      hours: rest(1, 0.8),
    });
    expect(hours[0]).toMatchObject({ takenMm: expect.closeTo(0.4, 9), shortMm: expect.closeTo(0.4, 9) });
  });

  it("loses the uneven share of what drips and nothing of what floods", () => {
    const of = (system: string) =>
      rootZone({ zone: zoneOf(system, { uniformityPct: 80 }), rootDepthM: 0.6, hours: [{ demandMm: 0, waterMm: 10 }] });
    for (const system of ["substrate", "soil-drip", "buried-drip"])
      expect(of(system).hours[0]?.lostMm).toBeCloseTo(2, 9);
    for (const system of ["solution-tank", "sub-irrigated-bench", "basin"]) expect(of(system).hours[0]?.lostMm).toBe(0);
  });

  it("lets the hour's use count before anything is lost below, and drains the rest of a soil within a day", () => {
    const soil = { zone: zoneOf("soil-drip", { uniformityPct: 100 }), rootDepthM: 0.6 };
    const used = rootZone({ ...soil, start: { depletionMm: 0 }, hours: [{ demandMm: 0.7, waterMm: 0.7 }] });
    expect(used.hours[0]).toMatchObject({ takenMm: 0.7, drainMm: 0, depletionMm: expect.closeTo(0, 9) });
    const over = rootZone({ ...soil, hours: [{ demandMm: 0, waterMm: 10 }, ...rest(23)] });
    const drained = over.hours.reduce((sum, { drainMm }) => sum + drainMm, 0);
    expect(drained).toBeCloseTo(10 * (1 - Math.exp(-3)), 6);
  });

  it("runs what a substrate cannot hold out below, at the EC of what stands in it", () => {
    // 4 L · 2000 plants ÷ 200 m² = 40 mm at EC 1; 10 mm at EC 3 come on top: 50 mm hold 70, EC 1.4
    const { hours } = rootZone({
      zone: zoneOf("substrate", { uniformityPct: 100 }),
      hours: [{ demandMm: 0, waterMm: 10, ecMsCm: 3 }],
    });
    expect(hours[0]).toMatchObject({
      drainMm: expect.closeTo(10, 9),
      ecMsCm: expect.closeTo(1.4, 9),
      heldLPlant: expect.closeTo(4, 9),
    });
  });

  it("leaves the salt behind when water is taken: half of a tank's water gone is twice the EC", () => {
    const { hours } = rootZone({ zone: zoneOf("solution-tank"), hours: rest(1, 0) });
    expect(hours[0]).toMatchObject({ levelCm: 24 });
    const taken = rootZone({ zone: zoneOf("solution-tank"), start: { levelCm: 24, ecMsCm: 2 }, hours: rest(240, 0.5) });
    expect(taken.hours.at(-1)).toMatchObject({ levelCm: expect.closeTo(12, 9), ecMsCm: expect.closeTo(4, 9) });
  });

  it("gives a flooded bench what its pots lack and sends the rest back as it came", () => {
    // pots hold 4 mm; half is gone, 25 mm flood
    const { hours, balance } = rootZone({
      zone: zoneOf("sub-irrigated-bench"),
      start: { heldLPlant: 0.2, ecMsCm: 2 },
      hours: [{ demandMm: 0, waterMm: 25, ecMsCm: 1 }],
    });
    expect(hours[0]).toMatchObject({
      drainMm: expect.closeTo(23, 9),
      heldLPlant: expect.closeTo(0.4, 9),
      ecMsCm: expect.closeTo(1.5, 9),
    });
    expect(balance.salt.outEcMm).toBeCloseTo(23, 9);
  });

  it("lets a basin take all it wants down to the safe mark, though its pond is long gone", () => {
    const basin = { zone: zoneOf("basin", { percolationMmDay: 0 }), crop: { depletionFraction: 0.2 } };
    const at = (levelCm: number) => rootZone({ ...basin, start: { levelCm }, hours: rest(1, 0.1) }).hours[0];
    expect(at(-14)?.shortMm).toBeCloseTo(0, 9);
    expect(at(-30)?.shortMm).toBeGreaterThan(0.02);
    expect(at(2)?.levelCm).toBeCloseTo(1.99, 9);
  });

  it("keeps rain up to 5 cm under a bund, and lets the rest run over", () => {
    const { hours } = rootZone({
      zone: zoneOf("basin", { percolationMmDay: 0 }),
      hours: [{ demandMm: 0, rainMm: 120 }],
    });
    expect(hours[0]).toMatchObject({ overflowMm: expect.closeTo(10, 9), levelCm: expect.closeTo(15, 9) });
  });

  it.each([
    [{ hours: [] }, "hours"],
    [{ start: { depletionMm: 70 } }, "start.depletionMm"],
    [{ start: { levelCm: 3 } }, "start.levelCm"],
    [{ start: { depletionMm: 3, heldLPlant: 1 } }, "start"],
    [{ crop: { depletionFraction: 2 } }, "crop.depletionFraction"],
    [{ hours: [{ demandMm: -1 }] }, "hours.0.demandMm"],
    [{ hours: [{ demandMm: 0.1, waterMm: Number.NaN }] }, "hours.0.waterMm"],
    [{ zone: { ...zoneOf("soil-drip"), availableMmM: undefined } }, "zone.availableMmM"],
  ])("refuses %j at %s", (damage, path) => {
    const asked = { zone: zoneOf("soil-drip"), rootDepthM: 0.6, hours: rest(1), ...damage } as RootZoneInput;
    expect(() => rootZone(asked)).toThrow(
      expect.objectContaining({ faults: expect.arrayContaining([expect.objectContaining({ path })]) }),
    );
  });

  it("says so where it assumed a rooted depth", () => {
    expect(rootZone({ zone: zoneOf("soil-drip"), hours: rest(1) }).warnings[0]).toMatch(/0.5 m is assumed/);
  });
});
