import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../../working/evenly-for-tests.ts";
import { DomainError } from "../../working/domain-error.ts";
import { tankDaysLeft, tankLeftL } from "./tank-level.ts";

const amount = (max: number) => evenly(0, max);

describe("what is left in a tank", () => {
  it("is 200 L less 30 L after 3000 L of feed at one in a hundred", () => {
    expect(tankLeftL({ mixedL: 200, dilution: 100, givenL: 3000 })).toBe(170);
  });

  it("and what went out of it make what was mixed, until it is empty", () => {
    fc.assert(
      fc.property(amount(5000), fc.integer({ min: 1, max: 500 }), amount(1e6), (mixedL, dilution, givenL) => {
        const left = tankLeftL({ mixedL, dilution, givenL });
        expect(left).toBeGreaterThanOrEqual(0);
        if (left > 0) expect(left + givenL / dilution).toBeCloseTo(mixedL, 6);
      }),
    );
  });

  it("refuses a dilution that thickens", () => {
    expect(() => tankLeftL({ mixedL: 200, dilution: 0.5, givenL: 0 })).toThrow(DomainError);
  });
});

describe("the days that a tank lasts", () => {
  it("are counted over the plans, then at their mean", () => {
    expect(tankDaysLeft(100, 100, [3000, 4000, 2000])).toBe(3);
    expect(tankDaysLeft(30, 100, [4000, 4000])).toBe(0);
    expect(tankDaysLeft(150, 100, [3000, 3000])).toBe(5);
  });

  it("are not told where nothing is fed", () => {
    expect(tankDaysLeft(100, 100, [0, 0])).toBeNull();
    expect(tankDaysLeft(100, 100, [])).toBeNull();
  });

  it("never grow when more is fed", () => {
    fc.assert(
      fc.property(amount(500), fc.array(evenly(1, 5000), { minLength: 1, maxLength: 7 }), (levelL, feedL) => {
        const more = feedL.map((litres) => litres * 1.5);
        expect(tankDaysLeft(levelL, 100, more) ?? 0).toBeLessThanOrEqual(tankDaysLeft(levelL, 100, feedL) ?? 0);
      }),
    );
  });
});
