import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { clashesOf, pumpLoad, type RunPulse } from "./pump-load.ts";

const MIN = 60_000;
const pulse = (zoneId: number, fromMin: number, toMin: number, litres: number): RunPulse => ({
  zoneId,
  startMs: fromMin * MIN,
  endMs: toMin * MIN,
  litres,
});
const anyPulses = fc.array(
  fc
    .record({
      zoneId: fc.integer({ min: 1, max: 8 }),
      from: fc.integer({ min: 0, max: 1439 }),
      length: fc.integer({ min: 0, max: 240 }),
      litres: fc.double({ min: 0, max: 20_000, noNaN: true }),
    })
    .map(({ zoneId, from, length, litres }) => pulse(zoneId, from, from + length, litres)),
  { maxLength: 60 },
);

describe("what the pump is asked for", () => {
  it("is the sum of two zones while both run, and one of them alone before and after", () => {
    // 2400 L/h from 0 to 60 min, 1200 L/h from 30 to 90.
    const steps = pumpLoad([pulse(1, 0, 60, 2400), pulse(2, 30, 90, 1200)]);
    expect(steps.map(({ fromMs, toMs, lh, zoneIds }) => [fromMs / MIN, toMs / MIN, lh, zoneIds])).toEqual([
      [0, 30, 2400, [1]],
      [30, 60, 3600, [1, 2]],
      [60, 90, 1200, [2]],
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
      { seed: 5 },
    );
  });
});

describe("a clash at the pump", () => {
  it("names who runs together, from when to when, and by how much it is too much", () => {
    const steps = pumpLoad([pulse(1, 0, 60, 2400), pulse(2, 30, 90, 1200)]);
    expect(clashesOf(steps, 3000)).toEqual([
      { fromMs: 30 * MIN, toMs: 60 * MIN, lh: 3600, overLh: 600, zoneIds: [1, 2] },
    ]);
    expect(clashesOf(steps, 3600)).toEqual([]);
  });

  it("is one zone alone where its flow is beyond the pump", () => {
    expect(clashesOf(pumpLoad([pulse(4, 0, 30, 5000)]), 8000)).toMatchObject([{ zoneIds: [4], overLh: 2000 }]);
  });

  it("stays away exactly where the load stays within the pump", () => {
    fc.assert(
      fc.property(anyPulses, fc.integer({ min: 500, max: 100_000 }), (pulses, maxLh) => {
        const steps = pumpLoad(pulses);
        const peak = Math.max(0, ...steps.map(({ lh }) => lh));
        expect(clashesOf(steps, maxLh).length > 0).toBe(peak > maxLh * 1.005);
      }),
      { seed: 6 },
    );
  });
});
