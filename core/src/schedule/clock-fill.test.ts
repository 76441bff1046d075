import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fullest, type Candidate } from "./clock-fill.ts";

const room = (lh: readonly number[], valves = lh.map(() => Infinity)) => ({
  lh: Float64Array.from(lh),
  valves: Float64Array.from(valves),
});
const valve = (zone: number, flowLh: number, more: Partial<Candidate> = {}): Candidate => ({
  zone,
  flowLh,
  passes: [0],
  counts: 1,
  ...more,
});
const sorted = (ways: readonly (readonly number[])[]) => ways.map((zones) => [...zones].sort((a, b) => a - b));

describe("what may open at once", () => {
  it("fills the pump to the last litre where some valves do", () => {
    const may = [valve(0, 5000), valve(1, 4000), valve(2, 3500), valve(3, 2500)];
    expect(sorted(fullest(may, room([10_000]), 1))).toEqual([[1, 2, 3]]);
  });

  it("keeps to what a mixer gives and to how many valves may be open", () => {
    const may = [0, 1, 2, 3].map((zone) => valve(zone, 3000, { passes: [0, zone < 2 ? 1 : 2] }));
    const [way] = fullest(may, room([20_000, 3500, 9000]), 1);
    expect(way?.filter((zone) => zone < 2)).toHaveLength(1);
    expect(way).toHaveLength(3);
    expect(fullest(may, room([20_000, 9000, 9000], [2, 9, 9]), 1)[0]).toHaveLength(2);
  });

  it("opens nothing where nothing fits", () => {
    expect(fullest([valve(0, 5000)], room([4000]), 3)).toEqual([[]]);
    expect(fullest([], room([4000]), 2)).toEqual([[]]);
  });

  it("is as good as trying every way, the best ways first, and leaves the room as it was", () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ flow: fc.integer({ min: 5, max: 60 }), counts: fc.constantFrom(1, 1.05, 1.2, 1.5) }), {
          maxLength: 8,
        }),
        fc.integer({ min: 20, max: 150 }),
        fc.integer({ min: 1, max: 4 }),
        (valves, pump, mostOpen) => {
          const may = valves.map(({ flow, counts }, zone) => valve(zone, flow * 100, { counts }));
          const has = room([pump * 100], [mostOpen]);
          const worth = (zones: readonly number[]): number =>
            zones.reduce((sum, zone) => sum + (may[zone]?.flowLh ?? 0) * (may[zone]?.counts ?? 0), 0);
          const every = Array.from({ length: 2 ** may.length }, (_, bits) =>
            may.filter((_one, at) => (bits >> at) % 2 === 1),
          )
            .filter(
              (open) => open.length <= mostOpen && open.reduce((sum, { flowLh }) => sum + flowLh, 0) <= pump * 100,
            )
            .map((open) => worth(open.map(({ zone }) => zone)))
            .sort((a, b) => b - a);
          const ways = fullest(may, has, 3);
          expect(ways[0] && worth(ways[0])).toBeCloseTo(every[0] ?? 0, 6);
          expect(ways.map(worth)).toEqual(ways.map(worth).sort((a, b) => b - a));
          expect(new Set(sorted(ways).map(String)).size).toBe(ways.length);
          expect([...has.lh, ...has.valves]).toEqual([pump * 100, mostOpen]);
        },
      ),
      { numRuns: 300 },
    );
  });

  it("answers at once where a hundred small valves could open in countless ways", () => {
    const may = Array.from({ length: 100 }, (_, zone) => valve(zone, 501 + 7 * zone));
    const [way = []] = fullest(may, room([30_000]), 2);
    const lh = way.reduce((sum, zone) => sum + (may[zone]?.flowLh ?? 0), 0);
    expect(lh).toBeLessThanOrEqual(30_000);
    expect(lh).toBeGreaterThan(29_500);
  });
});
