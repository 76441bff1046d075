import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../../working/evenly-for-tests.ts";
import { phChange, TEXTURES, type PhChangeInput } from "./ph-change.ts";

const soil: PhChangeInput = {
  ...{ ph: 5.5, targetPh: 6.7, texture: "loam", depthCm: 20, areaM2: 10_000 },
  ...{ nvPct: 54, finePct: 100, sulphurPct: 90, freeLimePct: 0 },
};

describe("lime for a soil", () => {
  it.each([
    // AHDB RB209, section 1: recommended lime for arable land, aimed 0.2 above pH 6.5, t/ha rounded
    ["sand", 6, 4],
    ["sand", 5.5, 7],
    ["sand", 5, 10],
    ["loam", 6, 5],
    ["loam", 5.5, 8],
    ["loam", 5, 12],
    ["clay", 6, 6],
    ["clay", 5.5, 10],
    ["clay", 5, 14],
  ] as const)("of %s at pH %s is as published, %s t/ha", (texture, ph, tHa) => {
    const { kind, tHa: found, kg } = phChange({ ...soil, texture, ph });
    expect(kind).toBe("lime");
    expect(Math.round(found)).toBe(tHa);
    expect(kg).toBeCloseTo(found * 1000, 9);
  });

  it("is more of a coarse or weak one, by its label", () => {
    const plain = phChange(soil).tHa;
    expect(phChange({ ...soil, nvPct: 27 }).tHa).toBeCloseTo(2 * plain, 9);
    expect(phChange({ ...soil, finePct: 50 }).tHa).toBeCloseTo(2 * plain, 9);
    expect(phChange({ ...soil, depthCm: 10 }).tHa).toBeCloseTo(plain / 2, 9);
  });

  it("is worked in at two times where it is much", () => {
    const { times, warnings } = phChange({ ...soil, texture: "clay", ph: 5 });
    expect(times).toBe(2);
    expect(warnings.join(" ")).toMatch(/at 2 times/);
  });
});

describe("sulphur for a soil", () => {
  it("gives the acid that the same change upwards would take", () => {
    // One pH of loam: 7 t of limestone of 54 % CaO are 6.746 t of CaCO₃; 32.06 ÷ 100.09 of it is sulphur, 2.161 t, 2.401 t of 90 %.
    const { kind, tHa, leadDays } = phChange({ ...soil, ph: 7, targetPh: 6 });
    expect(kind).toBe("sulphur");
    expect(tHa).toBeCloseTo(2.401, 2);
    expect(leadDays).toBeGreaterThan(phChange(soil).leadDays);
  });

  it("is of no use in free lime, and says how much that would eat", () => {
    // 2 % of 20 cm at 1.3 kg/L: 52 t/ha of CaCO₃
    const { warnings } = phChange({ ...soil, ph: 7.8, targetPh: 6.5, freeLimePct: 2 });
    expect(warnings.join(" ")).toMatch(/18\.5 t\/ha of sulphur would go into that first/);
    expect(phChange({ ...soil, ph: 7.8, targetPh: 6.5, freeLimePct: null }).warnings.join(" ")).toMatch(/not tested/);
  });
});

describe("a pH", () => {
  it("that is there already asks for nothing", () => {
    expect(phChange({ ...soil, ph: 6.5, targetPh: 6.5 })).toMatchObject({ kind: "none", tHa: 0 });
  });

  it("asks for more the further it is away, of every soil", () => {
    const ph = evenly(4, 8);
    fc.assert(
      fc.property(ph, ph, fc.constantFrom(...TEXTURES), (from, to, texture) => {
        const once = phChange({ ...soil, ph: from, targetPh: to, texture });
        const half = phChange({ ...soil, ph: (from + to) / 2, targetPh: to, texture });
        expect(half.tHa).toBeLessThanOrEqual(once.tHa + 1e-9);
        expect(once.tHa).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  it.each([
    [{ ph: 2 }, "ph"],
    [{ targetPh: 11 }, "targetPh"],
    [{ nvPct: 0 }, "nvPct"],
    [{ freeLimePct: -1 }, "freeLimePct"],
  ])("of %j is refused", (change, path) => {
    expect(() => phChange({ ...soil, ...change })).toThrow(expect.objectContaining({ path }));
  });

  it("is worked in at as many times as there are tonnes to a hectare, and nothing is said of it where one is enough", () => {
    const down = (targetPh: number) => phChange({ ...soil, ph: 7, targetPh });
    const { times, tHa, warnings } = down(6);
    expect(times).toBe(Math.ceil(tHa));
    expect(warnings).toContainEqual(expect.stringMatching(/^2\.4 t\/ha are much at once: work it in at 3 times/));
    expect(down(6.8)).toMatchObject({ times: 1, warnings: [] });
  });
});
