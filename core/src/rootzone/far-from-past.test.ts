import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { farFromPast } from "./far-from-past.ts";

describe("a value far from a zone's own past", () => {
  const past = [2.9, 3.0, 3.1, 3.0, 2.8, 3.2];

  it("is asked about, with what is usual", () => {
    expect(farFromPast(0.31, past, 0.3)).toEqual({ median: 3.0, least: 2.8, most: 3.2 });
    expect(farFromPast(31, past, 0.3)).toMatchObject({ median: 3.0 });
  });

  it("is none within an everyday step, nor within the scatter of the zone", () => {
    expect(farFromPast(3.25, past, 0.3)).toBeNull();
    const scattered = [10, 40, 22, 35, 15, 30];
    expect(farFromPast(48, scattered, 5)).toBeNull();
  });

  it("is asked about in a zone that reads the same every day, once it moves by more than an everyday step", () => {
    expect(farFromPast(5.9, [5.8, 5.8, 5.8, 5.8], 0.3)).toBeNull();
    expect(farFromPast(6.4, [5.8, 5.8, 5.8, 5.8], 0.3)).not.toBeNull();
  });

  it("is not told of two values or fewer", () => {
    expect(farFromPast(99, [3, 3], 0.3)).toBeNull();
  });

  it("never is the median itself, and stays far when it moves further away", () => {
    const values = fc.array(evenly(0, 50), { minLength: 3, maxLength: 12 });
    fc.assert(
      fc.property(values, evenly(0, 100), (ofZone, value) => {
        const found = farFromPast(value, ofZone, 0.2);
        if (!found) return;
        expect(farFromPast(found.median, ofZone, 0.2)).toBeNull();
        expect(farFromPast(value + (value - found.median), ofZone, 0.2)).not.toBeNull();
      }),
    );
  });
});
