import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { pipeVolumeL } from "./pipe-friction.ts";
import { travelTime } from "./travel-time.ts";

describe("the time to the farthest dripper", () => {
  it("follows by hand along a lateral of four", () => {
    // 4 m of 16 mm hold 0.804 L, a metre 0.201 L; the stretches see 8, 6, 4 and 2 L/h: 0.201 · (1/8 + 1/6 + 1/4 + 1/2) h.
    const { minutes, volumeL } = travelTime({
      ...{ laterals: 1, lengthM: 4, insideDiameterMm: 16, emitterSpacingM: 1, flowLh: 8 },
    });
    const metreL = (Math.PI / 4) * 0.016 ** 2 * 1000;
    expect(minutes).toBeCloseTo(metreL * (1 / 8 + 1 / 6 + 1 / 4 + 1 / 2) * 60, 9);
    expect(volumeL).toBeCloseTo(4 * metreL, 9);
  });

  it("is what stands in a pipe over its flow, where a main leads to a single dripper", () => {
    const main = { lengthM: 100, insideDiameterMm: 40 };
    const { minutes } = travelTime({
      ...{ laterals: 1, lengthM: 1, insideDiameterMm: 4, emitterSpacingM: 1, flowLh: 600, main },
    });
    expect(minutes).toBeCloseTo(((pipeVolumeL(main) + pipeVolumeL({ lengthM: 1, insideDiameterMm: 4 })) / 600) * 60, 9);
  });

  it("halves when everything gives twice as much, for any lines", () => {
    fc.assert(
      fc.property(
        fc.record({
          laterals: fc.integer({ min: 1, max: 200 }),
          lengthM: evenly(1, 300),
          insideDiameterMm: evenly(4, 40),
          emitterSpacingM: evenly(0.1, 2),
          flowLh: evenly(1, 50_000),
        }),
        (lines) => {
          const subMain = { lengthM: 50, insideDiameterMm: 50 };
          const once = travelTime({ ...lines, subMain }).minutes;
          const twice = travelTime({ ...lines, subMain, flowLh: 2 * lines.flowLh }).minutes;
          expect(twice).toBeCloseTo(once / 2, 6);
          // It is never shorter than plug flow through pipes that lose nothing on the way.
          expect(once).toBeGreaterThanOrEqual(((pipeVolumeL(lines) * lines.laterals) / lines.flowLh) * 60 - 1e-9);
        },
      ),
    );
  });

  it.each([
    [{ flowLh: 0 }, "flowLh"],
    [{ emitterSpacingM: NaN }, "emitterSpacingM"],
  ])("refuses %j", (change, path) => {
    const lines = { laterals: 1, lengthM: 4, insideDiameterMm: 16, emitterSpacingM: 1, flowLh: 8 };
    expect(() => travelTime({ ...lines, ...change })).toThrow(expect.objectContaining({ path }));
  });
});
