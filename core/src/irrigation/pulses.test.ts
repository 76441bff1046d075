import { describe, expect, it } from "vitest";
import { clockText } from "../time/clock.ts";
import { planPulses, type DemandCurve } from "./pulses.ts";

const HOUR_S = 3600;
/** From six to six. */
const window = { startS: 6 * HOUR_S, endS: 18 * HOUR_S };
/** All of the demand arises evenly between two hours. */
const between =
  (from: number, to: number): DemandCurve =>
  (secondsS) =>
    Math.min(1, Math.max(0, (secondsS / HOUR_S - from) / (to - from)));
const starts = (demand?: DemandCurve, more: object = {}) =>
  planPulses({ litres: 400, zoneFlowLh: 4000, wanted: 4, minGapMin: 0, window, demand, ...more }).pulses.map(
    ({ startS }) => clockText(startS),
  );

describe("the pulses of a day", () => {
  it("begin each when its share of the demand has arisen: four of them at none, a quarter, half and three quarters", () => {
    expect(starts(between(6, 18))).toEqual(["06:00:00", "09:00:00", "12:00:00", "15:00:00"]);
    // The first waits for nothing; the others for what arises from ten to two.
    expect(starts(between(10, 14))).toEqual(["06:00:00", "11:00:00", "12:00:00", "13:00:00"]);
  });

  it("are spread evenly over the window where nothing is known of the demand", () => {
    // A minute and a half each: the last one ends with the window.
    expect(starts()).toEqual(["06:00:00", "09:59:30", "13:59:00", "17:58:30"]);
  });

  it("keep their gaps, and are drawn forward rather than run past the window", () => {
    expect(starts(between(17.8, 18), { minGapMin: 30 })).toEqual(["06:00:00", "16:55:30", "17:27:00", "17:58:30"]);
  });

  it("run as long as their litres take at the zone's flow, and what does not fit into the window is told", () => {
    const { pulses, unmetL } = planPulses({ litres: 400, zoneFlowLh: 4000, wanted: 4, minGapMin: 0, window });
    // 100 L at 4000 L/h are a minute and a half.
    for (const { minutes, litres } of pulses) expect([minutes, litres]).toEqual([1.5, 100]);
    expect(unmetL).toBe(0);
    const long = planPulses({ litres: 50_000, zoneFlowLh: 4000, wanted: 1, minGapMin: 0, window });
    expect(long).toMatchObject({ unmetL: 2000, pulses: [{ startS: 6 * HOUR_S, minutes: 720, litres: 48_000 }] });
  });
});
