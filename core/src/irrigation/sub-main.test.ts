import { pipeVolumeL } from "./pipe-friction.ts";
import { describe, expect, it } from "vitest";
import { lateral, type LateralInput } from "./lateral.ts";
import { pipeLossKpa, subMain } from "./sub-main.ts";

const line: LateralInput = {
  lengthM: 50,
  insideDiameterMm: 14.2,
  emitterSpacingM: 0.5,
  emitter: { flowLh: 2, atKpa: 100, exponent: 0.5, cv: 0.05 },
  inletKpa: 100,
  temperatureC: 20,
};

describe("a sub-main", () => {
  it("loses what a plain pipe loses times Christiansen's factor, when every lateral takes the same", () => {
    const even = { ...line, emitter: { ...line.emitter, exponent: 0 } };
    const { endKpa, flowLh } = subMain({ lateral: even, laterals: 20, lengthM: 40, insideDiameterMm: 50 });
    expect(flowLh).toBeCloseTo(20 * 100 * 2, 6);
    const christiansen = 1 / 2.75 + 1 / 40 + Math.sqrt(0.75) / 2400;
    expect((100 - endKpa) / pipeLossKpa(flowLh, 40, 50)).toBeCloseTo(christiansen, 2);
  });

  it("gives a whole zone the uniformity of its weakest dripper, and one of no loss that of a lateral", () => {
    const wide = subMain({ lateral: line, laterals: 10, lengthM: 15, insideDiameterMm: 200 });
    expect(wide.flowVariationPct).toBeLessThan(0.1);
    const one = lateral(line);
    const least = Math.min(...one.profile.map(({ lh }) => lh));
    expect(wide.emissionUniformityPct).toBeCloseTo((100 * (1 - 1.27 * 0.05) * least) / (one.inletFlowLh / 100), 1);
    const narrow = subMain({ lateral: line, laterals: 10, lengthM: 15, insideDiameterMm: 16 });
    expect(narrow.emissionUniformityPct).toBeLessThan(wide.emissionUniformityPct - 2);
    expect(narrow.flowLh).toBeCloseTo(
      narrow.profile.reduce((sum, { lh }) => sum + lh, 0),
      9,
    );
  });

  it("takes its laterals for one emitter each, with nearly the exponent of theirs", () => {
    const exponentOf = (exponent: number) =>
      subMain({
        lateral: { ...line, lengthM: 10, emitter: { ...line.emitter, exponent } },
        ...{ laterals: 10, lengthM: 15, insideDiameterMm: 50 },
      }).working.find(({ label }) => label === "Exponent of a lateral")?.value;
    expect(exponentOf(0.5)).toBeCloseTo(0.5, 2);
    expect(exponentOf(0.8)).toBeCloseTo(0.8, 2);
    expect(exponentOf(0)).toBeCloseTo(0, 9);
  });

  it("downhill may give the last lateral more than the first", () => {
    const { profile } = subMain({ lateral: line, laterals: 10, lengthM: 50, insideDiameterMm: 75, slopePct: -5 });
    expect(profile.at(-1)?.kPa ?? NaN).toBeGreaterThan((profile[0]?.kPa ?? NaN) + 15);
  });

  it.each([
    [{ laterals: 1 }, "laterals"],
    [{ insideDiameterMm: 0 }, "insideDiameterMm"],
    [{ slopePct: 80 }, "slopePct"],
  ])("refuses %j and names what is wrong", (change, path) => {
    expect(() => subMain({ lateral: line, laterals: 10, lengthM: 15, insideDiameterMm: 50, ...change })).toThrow(
      expect.objectContaining({ path }),
    );
  });
});

describe("a pipe", () => {
  it("of 100 m and 50 mm inside holds π/4 · 0.05² · 100 m³", () => {
    expect(pipeVolumeL({ insideDiameterMm: 50, lengthM: 100 })).toBeCloseTo(196.35, 2);
  });
});
