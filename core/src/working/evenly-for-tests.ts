import fc from "fast-check";

/**
 * Numbers evenly from one to another, the ends among them. A double of fast-check is drawn evenly among bit patterns: half of
 * those from 0 to 20 are less than 1e-154, and a law that holds for nothing holds for them.
 */
export function evenly(min: number, max: number): fc.Arbitrary<number> {
  return fc.integer({ min: 0, max: STEPS }).map((step) => min + ((max - min) * step) / STEPS);
}
const STEPS = 1_000_000;
