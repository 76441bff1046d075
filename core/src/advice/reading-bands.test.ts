import { describe, expect, it } from "vitest";
import { judgeDosing, judgeDrain } from "./judge.ts";
import { readingBands } from "./reading-bands.ts";

describe("where readings may lie", () => {
  const bands = readingBands({ ecMsCm: 2.4, ph: 5.6 });

  it("is where the judgement is silent, and no further", () => {
    const { dripEcMsCm: drip, drainEcMsCm: drain } = bands;
    expect(judgeDosing((drip?.to ?? 0) - 0.001, 2.4)).toBeNull();
    expect(judgeDosing((drip?.to ?? 0) + 0.02, 2.4)).not.toBeNull();
    expect(judgeDrain(25, 25, (drain?.to ?? 0) - 0.001, 2.4)).toBeNull();
    expect(judgeDrain(25, 25, (drain?.to ?? 0) + 0.02, 2.4)).toMatchObject({ cause: "salt" });
  });

  it("holds the feed itself", () => {
    for (const [kind, value] of [
      ["dripEcMsCm", 2.4],
      ["tankEcMsCm", 2.4],
      ["dripPh", 5.6],
      ["drainPh", 5.6],
    ] as const) {
      expect(bands[kind]?.from).toBeLessThanOrEqual(value);
      expect(bands[kind]?.to).toBeGreaterThanOrEqual(value);
    }
  });

  it("says nothing of the EC of a zone whose feed is not known", () => {
    expect(Object.keys(readingBands(null))).toEqual(["tensionKpa"]);
  });
});
