import { describe, expect, it } from "vitest";
import { NO_CORRECTION } from "../irrigation/zone-water-input.ts";
import { adviseDrain, type DrainReading } from "./drain-advice.ts";

const reading: DrainReading = {
  drainPct: 12,
  drainEcMsCm: 4.3,
  feedEcMsCm: 2.3,
  stageTargetPct: 28,
  inForce: NO_CORRECTION,
  days: [],
};
const metered = (drainPct: number, givenMm: number, modelDemandMm: number) => ({ drainPct, givenMm, modelDemandMm });

describe("advice from a drain reading", () => {
  it("takes little drain of high EC as one cause with one cure: more water, and no salt let out beside it", () => {
    // f = 0.88 ÷ 0.72; at 28 % the drain would come to (2.3 − 0.72 × 2.027) ÷ 0.28 = 3.0, under 1.5 × 2.3 = 3.45.
    expect(adviseDrain(reading)).toMatchObject({
      finding: { cause: "drain-low", mark: "act" },
      correction: { demandFactor: expect.closeTo(0.88 / 0.72, 9), drainSharePct: null },
    });
  });

  it("lets salt out when the drain would stay too salty at its target share", () => {
    // Uptake EC (2.3 − 0.28 × 4.5) ÷ 0.72 = 1.444; share (2.3 − 1.444) ÷ (3.45 − 1.444) = 0.4266.
    expect(adviseDrain({ ...reading, drainPct: 28, drainEcMsCm: 4.5 })).toMatchObject({
      finding: { cause: "salt", mark: "act" },
      correction: { demandFactor: 1, drainSharePct: expect.closeTo(42.66, 1) },
    });
  });

  it("names no drain cause when the meter shows that less water came than the plants needed drain of", () => {
    // 4 mm taken up of 4.5 given leave 11 %: the drain is low because a fifth of 5.56 mm never arrived.
    const own = metered(11, 4.5, 4);
    expect(adviseDrain({ ...reading, drainPct: 11, own, days: [own] })).toBeNull();
  });

  it("measures uptake over several days by meter, and waits when they agree with the plan", () => {
    const days = [metered(30, 5.6, 4), metered(26, 5.5, 4), metered(17, 5.4, 4)];
    const answer = adviseDrain({ ...reading, drainPct: 17, drainEcMsCm: 3, own: days[2], days });
    // (3.92 + 4.07 + 4.482) ÷ 12 = 1.039: within what days differ by.
    expect(answer).toMatchObject({ correction: null, finding: { mark: "watch" } });
    const thirsty = days.map((day) => ({ ...day, drainPct: 14 }));
    expect(adviseDrain({ ...reading, drainPct: 14, drainEcMsCm: 3, own: thirsty[2], days: thirsty })).toMatchObject({
      correction: { demandFactor: expect.closeTo((0.86 * 16.5) / 12, 9) },
    });
  });

  it("never stacks corrections beyond twice or half the model", () => {
    const inForce = { demandFactor: 1.9, drainSharePct: null };
    expect(adviseDrain({ ...reading, inForce })?.correction?.demandFactor).toBe(2);
    expect(
      adviseDrain({ ...reading, drainPct: 70, drainEcMsCm: 2.5, inForce: { ...inForce, demandFactor: 0.55 } }),
    ).toMatchObject({ finding: { cause: "drain-high" }, correction: { demandFactor: 0.5 } });
  });
});
