import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../../working/evenly-for-tests.ts";
import { closedLoop, freshTarget, type LoopInput, type StayingIon } from "./closed-loop.ts";

const sodium: StayingIon = { ion: "Na", incomingMmolL: 0.9, nowMmolL: 1.5, limitMmolL: 6, uptakeShare: 0.1 };
const loop: LoopInput = {
  ions: [sodium],
  waterLM2Day: 3,
  volumeLM2: 30,
  areaM2: 1000,
  nitrogenMmolL: 16,
  waterPriceM3: 0.5,
  recipePriceM3: 1,
  drainPct: 25,
  days: 120,
};

/** The same balance, stepped by small times. */
function stepped({ incomingMmolL, nowMmolL, uptakeShare }: StayingIon, days: number, dischargeLM2Day: number): number {
  const steps = days * 200;
  let c = nowMmolL;
  for (let at = 0; at < steps; at++)
    c += (((3 + dischargeLM2Day) * incomingMmolL - 3 * uptakeShare * c - dischargeLM2Day * c) * (days / steps)) / 30;
  return c;
}

describe("sodium in a closed loop", () => {
  it("runs to incoming over the share taken up, and reaches its limit on the day that the balance stepped by hand does", () => {
    const [course] = closedLoop(loop).courses;
    expect(course?.steadyMmolL).toBeCloseTo(9, 9);
    // ln((9 − 1.5) / (9 − 6)) · 30 / (3 · 0.1)
    expect(course?.daysToLimit).toBeCloseTo(91.63, 2);
    expect(stepped(sodium, 91.63, 0)).toBeCloseTo(6, 2);
    expect(course?.course[59]).toBeCloseTo(stepped(sodium, 60, 0), 2);
  });

  it("stays at its limit under the discharge that it names", () => {
    // 3 · (0.9 − 0.6) / (6 − 0.9)
    const { courses, loop: losses, dischargePct, open } = closedLoop(loop);
    const litres = courses[0]?.dischargeLM2Day ?? NaN;
    expect(litres).toBeCloseTo(0.17647, 5);
    expect(stepped({ ...sodium, nowMmolL: 6 }, 100, litres)).toBeCloseTo(6, 6);
    // a quarter of the feed drains: 1 L/m² a day
    expect(dischargePct).toBeCloseTo(17.647, 3);
    expect(open).toMatchObject({ waterM3Week: 7, nitrogenKgWeek: expect.closeTo(1.5688, 3), costWeek: 10.5 });
    expect(losses?.costWeek).toBeCloseTo(0.17647 * 10.5, 4);
  });

  it("never reaches the limit where the crop takes up what comes in, and has no cure where the water itself is over it", () => {
    expect(closedLoop({ ...loop, ions: [{ ...sodium, incomingMmolL: 0.5 }] }).courses[0]).toMatchObject({
      daysToLimit: null,
      dischargeLM2Day: 0,
    });
    const salty = closedLoop({ ...loop, ions: [{ ...sodium, incomingMmolL: 7 }] });
    expect(salty).toMatchObject({ loop: null, dischargePct: null });
    expect(closedLoop({ ...loop, ions: [{ ...sodium, nowMmolL: 7 }] }).courses[0]?.daysToLimit).toBe(0);
  });

  it("says what the water must become, and where sodium ends, when not even all of the drain is enough", () => {
    // Drain 1 L/m² of 4 given; 4 mmol/L come in, the limit is 6: (3 · 4 − 3 · 0.1 · 6) / (6 − 4) = 5.1 L/m² would have to go.
    const hard = closedLoop({ ...loop, ions: [{ ...sodium, incomingMmolL: 4 }] });
    expect(hard.dischargePct).toBeCloseTo(510, 6);
    const [most] = hard.mostIncoming;
    expect(most?.mmolL).toBeCloseTo((6 * 1.3) / 4, 9);
    expect(most?.endsMmolL).toBeCloseTo((4 * 4) / 1.3, 9);
    // Water of just so much keeps the limit with all of the drain let off.
    const kept = closedLoop({ ...loop, ions: [{ ...sodium, incomingMmolL: most?.mmolL ?? NaN }] });
    expect(kept.dischargePct).toBeCloseTo(100, 6);
    expect(stepped({ ...sodium, incomingMmolL: 4 }, 900, 1)).toBeCloseTo(most?.endsMmolL ?? NaN, 2);
    expect(closedLoop(loop).mostIncoming).toEqual([]);
  });

  it.each([
    // Of what is given, W / (1 − share): with 60 % drained, 3 L taken up leave 4.5 L; with a third, 1.5 L.
    [60, 4.5],
    [100 / 3, 1.5],
    [0, 0],
  ])("drains at %d %% so much of what is given, not of what is taken up: %d L/m²", (drainPct, litres) => {
    expect(closedLoop({ ...loop, drainPct }).open.waterLM2Day).toBeCloseTo(litres, 9);
  });

  it("refuses a loop without water in it", () => {
    expect(() => closedLoop({ ...loop, volumeLM2: 0 })).toThrow(/The water in the loop must be more than 0/);
  });
});

describe("the fresh part of a feed with drain in it", () => {
  it("mixes with the drain to the target, over it only where the drain alone is", () => {
    const amount = evenly(0, 20);
    fc.assert(
      fc.property(amount, amount, evenly(0, 95), (target, drain, sharePct) => {
        const { ions, over } = freshTarget({ K: target }, { K: drain }, sharePct);
        const mix = (drain * sharePct) / 100 + (ions.K ?? 0) * (1 - sharePct / 100);
        expect(mix).toBeCloseTo(target + (over.K ?? 0), 6);
        expect(ions.K).toBeGreaterThanOrEqual(0);
      }),
    );
  });
});
