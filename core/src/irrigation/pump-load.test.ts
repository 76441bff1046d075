import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { pumpLoad, type RunPulse } from "./pump-load.ts";

const MIN = 60_000;
const pulse = (fromMin: number, toMin: number, litres: number): RunPulse => ({
  startMs: fromMin * MIN,
  endMs: toMin * MIN,
  litres,
});
const anyPulses = fc.array(
  fc
    .record({
      from: fc.integer({ min: 0, max: 1439 }),
      length: fc.integer({ min: 0, max: 240 }),
      litres: evenly(0, 20_000),
    })
    .map(({ from, length, litres }) => pulse(from, from + length, litres)),
  { maxLength: 60 },
);

describe("what the pump is asked for", () => {
  it("is the sum of two zones while both run, and one of them alone before and after", () => {
    // 2400 L/h from 0 to 60 min, 1200 L/h from 30 to 90.
    const steps = pumpLoad([pulse(0, 60, 2400), pulse(30, 90, 1200)]);
    expect(steps.map(({ fromMs, toMs, lh }) => [fromMs / MIN, toMs / MIN, lh])).toEqual([
      [0, 30, 2400],
      [30, 60, 3600],
      [60, 90, 1200],
    ]);
  });

  it("loses and makes no water, and never overlaps itself", () => {
    fc.assert(
      fc.property(anyPulses, (pulses) => {
        const steps = pumpLoad(pulses);
        const asked = pulses.reduce((sum, { startMs, endMs, litres }) => (endMs > startMs ? sum + litres : sum), 0);
        const given = steps.reduce((sum, { fromMs, toMs, lh }) => sum + (lh * (toMs - fromMs)) / 3_600_000, 0);
        expect(given).toBeCloseTo(asked, 4);
        for (const [at, step] of steps.entries()) {
          expect(step.toMs).toBeGreaterThan(step.fromMs);
          if (at > 0) expect(step.fromMs).toBeGreaterThanOrEqual(steps[at - 1]?.toMs ?? 0);
        }
      }),
    );
  });
});
