import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { frictionSlope } from "./pipe-friction.ts";
import { lateral, lateralTimes, longestLateralM, type LateralInput } from "./lateral.ts";
import { waterDensityKgM3, waterViscosityM2S } from "../water/water-properties.ts";

const tape: LateralInput = {
  lengthM: 100,
  insideDiameterMm: 14.2,
  emitterSpacingM: 0.5,
  emitter: { flowLh: 2, atKpa: 100, exponent: 0.5, cv: 0.05 },
  inletKpa: 100,
  temperatureC: 20,
};
const KPA_PER_M = (waterDensityKgM3(20) * 9.80665) / 1000;

describe("water's properties", () => {
  it.each([
    [5, 1.519, 999.97],
    [20, 1.004, 998.2],
    [40, 0.658, 992.2],
  ])("are those of the tables at %d °C", (temperatureC, viscosity, density) => {
    expect(waterViscosityM2S(temperatureC) * 1e6).toBeCloseTo(viscosity, 1);
    expect(waterDensityKgM3(temperatureC)).toBeCloseTo(density, 1);
  });
});

describe("a lateral", () => {
  it("loses what a plain pipe loses times Christiansen's factor, when every outlet gives the same", () => {
    // N = 50 outlets of 60 L/h: turbulent in all but the last. F = 1/2.75 + 1/100 + √0.75/(6·2500) = 0.3737 for m = 1.75.
    const outlets = 50;
    const emitter = { flowLh: 60, atKpa: 200, exponent: 0 };
    const { inletFlowLh, endKpa } = lateral({
      ...tape,
      insideDiameterMm: 32,
      lengthM: 100,
      emitterSpacingM: 2,
      emitter,
      inletKpa: 200,
    });
    expect(inletFlowLh).toBeCloseTo(outlets * 60, 6);
    const plain = frictionSlope(0.032, waterViscosityM2S(20))(inletFlowLh / 3.6e6) * 100;
    expect((200 - endKpa) / KPA_PER_M / plain).toBeCloseTo(1 / 2.75 + 1 / 100 + Math.sqrt(0.75) / 15_000, 2);
  });

  it("is laminar in a thin pipe of few drips, as Hagen and Poiseuille have it", () => {
    // One dripper of 2 L/h at the end of 10 m of 4 mm: Re = 177, h = 128 ν L Q / (π g D⁴).
    const { endKpa } = lateral({
      ...tape,
      insideDiameterMm: 4,
      lengthM: 10,
      emitterSpacingM: 10,
      emitter: { ...tape.emitter, exponent: 0 },
    });
    const lost = (128 * waterViscosityM2S(20) * 10 * (2 / 3.6e6)) / (Math.PI * 9.80665 * 0.004 ** 4);
    expect((100 - endKpa) / KPA_PER_M).toBeCloseTo(lost, 6);
  });

  it("rises with a fall of the ground and sinks with its rise by the weight of the water alone", () => {
    const still = { ...tape, emitter: { ...tape.emitter, flowLh: 1e-6 }, lengthM: 50 };
    expect(lateral({ ...still, slopePct: -4 }).endKpa).toBeCloseTo(100 + 2 * KPA_PER_M, 3);
    expect(lateral({ ...still, slopePct: 4 }).endKpa).toBeCloseTo(100 - 2 * KPA_PER_M, 3);
    expect(() => lateral({ ...tape, slopePct: 20 })).toThrow(/more than 196 kPa are needed there, not 100/);
  });

  it("keeps energy and mass for any pipe: inlet less losses and rise is the end, and flows add up", () => {
    fc.assert(
      fc.property(
        fc.record({
          lengthM: evenly(5, 150),
          insideDiameterMm: evenly(12, 30),
          emitterSpacingM: evenly(0.2, 2),
          inletKpa: evenly(150, 300),
          slopePct: evenly(-3, 3),
          exponent: evenly(0.2, 1),
        }),
        ({ exponent, ...pipe }) => {
          const input = { ...tape, ...pipe, emitter: { ...tape.emitter, exponent } };
          const { profile, inletFlowLh } = lateral(input);
          const total = profile.reduce((sum, point) => sum + point.lh, 0);
          expect(inletFlowLh).toBeCloseTo(total, 6);
          let [carried, kPa] = [total, pipe.inletKpa];
          for (const point of profile) {
            const lostM =
              frictionSlope(pipe.insideDiameterMm / 1000, waterViscosityM2S(20))(carried / 3.6e6) *
              pipe.emitterSpacingM;
            kPa -= (lostM + (pipe.emitterSpacingM * pipe.slopePct) / 100) * KPA_PER_M;
            expect(point.kPa).toBeCloseTo(kPa, 4);
            carried -= point.lh;
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it("counts manufacture and pressure into emission uniformity, and warns when pressure leaves the working range", () => {
    const { emissionUniformityPct, profile, inletFlowLh, warnings } = lateral({
      ...tape,
      emitter: { ...tape.emitter, minKpa: 95 },
    });
    const least = Math.min(...profile.map((point) => point.lh));
    expect(emissionUniformityPct).toBeCloseTo((100 * (1 - 1.27 * 0.05) * least) / (inletFlowLh / 200), 6);
    expect(warnings.join(" ")).toMatch(/under its least working pressure of 95 kPa/);
  });

  it("finds the longest lateral: one spacing more is too much", () => {
    const longest = longestLateralM(tape, 10);
    expect(lateral({ ...tape, lengthM: longest }).flowVariationPct).toBeLessThanOrEqual(10);
    expect(lateral({ ...tape, lengthM: longest + 0.5 }).flowVariationPct).toBeGreaterThan(10);
  });

  it("tells how long water travels: in a line of equal outlets volume by flow times (ln N + 0.577)", () => {
    const flat = lateral({ ...tape, insideDiameterMm: 30, emitter: { ...tape.emitter, exponent: 0 } });
    const { volumeL, travelMin, fillMin } = lateralTimes(tape, flat);
    expect(volumeL).toBeCloseTo(15.84, 2);
    expect(fillMin).toBeCloseTo((60 * volumeL) / 400, 6);
    expect(travelMin).toBeCloseTo(fillMin * (Math.log(200) + 0.5772 + 1 / 400), 2);
  });

  it("tells how long water travels from the flows as they stand: the stretch before the last emitter carries only that one's", () => {
    // A metre of 16 mm holds 0.2011 L; 4 L/h pass the first stretch, 1 L/h the second.
    const points = [3, 1].map((lh, at) => ({ xM: at + 1, kPa: 100, lh }));
    const { travelMin } = lateralTimes(
      { insideDiameterMm: 16, emitterSpacingM: 1 },
      { profile: points, inletFlowLh: 4 },
    );
    expect(travelMin).toBeCloseTo(60 * (0.2011 / 4 + 0.2011 / 1), 1);
  });

  it("loses as much more to barbs as they lengthen the pipe", () => {
    const even = { ...tape, emitter: { ...tape.emitter, exponent: 0 } };
    const lost = (minorLossM: number): number => 100 - lateral({ ...even, minorLossM }).endKpa;
    // A quarter of a metre at every half metre: half as much again.
    expect(lost(0.25)).toBeCloseTo(1.5 * lost(0), 6);
  });

  it("refuses an inlet pressure that cannot carry the flow of compensating emitters to the end", () => {
    const compensating = { ...tape, insideDiameterMm: 8, inletKpa: 60, emitter: { ...tape.emitter, exponent: 0 } };
    expect(() => lateral(compensating)).toThrow(
      /reaches the last emitter from about \d+ kPa at the inlet on, not at 60/,
    );
  });

  it.each([
    [{ lengthM: -3 }, "lengthM"],
    [{ emitterSpacingM: 0 }, "emitterSpacingM"],
    [{ inletKpa: NaN }, "inletKpa"],
    [{ emitter: { ...tape.emitter, minKpa: 200, maxKpa: 100 } }, "emitter.minKpa"],
    [{ lengthM: 0.3 }, "emitterSpacingM"],
  ])("refuses %j and names what is wrong", (change, path) => {
    expect(() => lateral({ ...tape, ...change })).toThrow(expect.objectContaining({ path }));
  });

  it("warns of what it took for granted and of an emitter that works outside of its pressures, and of nothing else", () => {
    const emitter = { ...tape.emitter, minKpa: 20, maxKpa: 150 };
    const warnings = (more: Partial<LateralInput>) => lateral({ ...tape, lengthM: 20, emitter, ...more }).warnings;
    expect(warnings({})).toEqual([]);
    const { temperatureC: _unknown, ...unsaid } = { ...tape, lengthM: 20, emitter };
    expect(lateral(unsaid).warnings).toEqual([expect.stringMatching(/^No water temperature was given/)]);
    expect(warnings({ inletKpa: 160 })).toEqual([
      expect.stringMatching(/^The strongest emitter has 160.0 kPa, over .* 150 kPa/),
    ]);
    expect(warnings({ inletKpa: 15 })).toEqual([expect.stringMatching(/^The weakest emitter has 1\d\.\d kPa, under/)]);
    // Without limits of the emitter nothing is said of them.
    expect(warnings({ inletKpa: 160, emitter: tape.emitter })).toEqual([]);
  });
});
