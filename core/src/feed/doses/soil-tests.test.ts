import { describe, expect, it } from "vitest";
import { newestLayers, rootedShare, type SoilTest } from "./soil-tests.ts";

const test = (takenOn: string, depthCm: [number, number] | null, more: Partial<SoilTest> = {}): SoilTest => ({
  ...{ takenOn, depthCm, pMgKg: null, kMgKg: null, mineralNKgHa: 20 },
  ...more,
});

describe("the newest soil tests of a figure", () => {
  it("are all layers of their day, the topmost first, each once as it came in last", () => {
    const tests = [
      test("2026-03-18", [30, 60]),
      test("2026-03-18", [0, 30]),
      test("2025-03-01", [0, 30], { mineralNKgHa: 90 }),
      test("2026-03-18", [0, 30], { mineralNKgHa: 44 }),
    ];
    expect(newestLayers(tests, ({ mineralNKgHa }) => mineralNKgHa)).toMatchObject([
      { depthCm: [0, 30], mineralNKgHa: 44 },
      { depthCm: [30, 60], mineralNKgHa: 20 },
    ]);
  });

  it("are those in which it was measured: a later one without it does not hide them", () => {
    const tests = [test("2026-03-18", [0, 30], { pMgKg: 30 }), test("2026-05-01", [0, 30])];
    expect(newestLayers(tests, ({ pMgKg }) => pMgKg)).toMatchObject([{ takenOn: "2026-03-18", pMgKg: 30 }]);
    expect(newestLayers(tests, ({ kMgKg }) => kMgKg)).toEqual([]);
  });
});

it.each([
  [[0, 30], 0.45, 1],
  [[30, 60], 0.45, 0.5],
  [[60, 90], 0.45, 0],
  [null, 0.45, 1],
] as const)("of the layer %j roots of %s m reach the share %s", (depth, rootDepthM, share) => {
  expect(rootedShare(depth && [...depth], rootDepthM)).toBeCloseTo(share, 12);
});
