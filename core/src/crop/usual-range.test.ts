import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { isUnusual, RANGED, usualRange } from "./usual-range.ts";

describe("the usual range of a crop's figure", () => {
  it("of Kc is what FAO-56 makes of climate: a crop of half a metre gains and loses about a tenth", () => {
    const shift = (windMs: number, rhMinPct: number): number =>
      (0.04 * (windMs - 2) - 0.004 * (rhMinPct - 45)) * (0.5 / 3) ** 0.3;
    const { from, to } = usualRange("kc", 1.15);
    expect(to - 1.15).toBeCloseTo(shift(4, 20), 1);
    expect(from - 1.15).toBeCloseTo(shift(1, 80), 1);
  });

  it("of the easy share is p + 0.04 · (5 − ETc): 0.4 is 0.48 at 3 mm and 0.32 at 7 mm a day", () => {
    expect(usualRange("depletion", 0.4)).toMatchObject({
      from: expect.closeTo(0.4 + 0.04 * (5 - 7), 9) as number,
      to: expect.closeTo(0.4 + 0.04 * (5 - 3), 9) as number,
    });
  });

  it("holds the figure itself, of whatever kind, and says what it rests on", () => {
    fc.assert(
      fc.property(fc.constantFrom(...RANGED), evenly(1, 50), (kind, value) => {
        const held = { depletion: 0.1 + value / 100, radiationShare: 0.1 + value / 100 }[kind as string] ?? value;
        const { from, to, basis } = usualRange(kind, held);
        expect(from).toBeLessThanOrEqual(held);
        expect(to).toBeGreaterThanOrEqual(held);
        expect(basis).not.toBe("");
        expect(isUnusual(kind, held, held)).toBe(false);
      }),
    );
  });

  it("tells a person's own figure that is far from the library's", () => {
    expect(isUnusual("days", 30, 20)).toBe(true);
    expect(isUnusual("days", 23, 20)).toBe(false);
    expect(isUnusual("baseC", 4, 10)).toBe(true);
  });
});
