import { describe, expect, it } from "vitest";
import { catchTest } from "./catch-can.ts";

const lines = (rows: number[][]) => catchTest(rows, 3);

describe("a catch-can test laid out as on the ground", () => {
  it("calls it pressure when every line falls towards its end", () => {
    expect(lines([100, 90, 75, 60].map((_, line) => [102 - line, 92, 74, 58]))).toMatchObject({ cause: "pressure" });
  });

  it("calls it a line when one gives less all along", () => {
    expect(
      lines([
        [100, 99, 101, 98],
        [62, 60, 61, 59],
        [99, 100, 98, 101],
        [100, 101, 99, 100],
      ]),
    ).toMatchObject({ cause: "line", lowestLine: 1 });
  });

  it("calls it plugging when single drippers are low, and names them", () => {
    expect(
      lines([
        [100, 98, 20, 101],
        [99, 100, 100, 98],
        [35, 100, 99, 100],
        [100, 15, 100, 99],
      ]),
    ).toMatchObject({
      cause: "plugging",
      low: [
        { line: 0, place: 2 },
        { line: 2, place: 0 },
        { line: 3, place: 1 },
      ],
    });
  });

  it("calls a low line plugging when its own drippers scatter", () => {
    expect(
      lines([
        [112, 109, 110, 107],
        [108, 41, 64, 30],
        [111, 108, 109, 105],
      ]).cause,
    ).toBe("plugging");
  });

  it("is content with drippers that differ by a few per cent, and splits all of the variation", () => {
    const even = lines([
      [100, 98, 97, 101],
      [99, 103, 100, 98],
    ]);
    expect(even.cause).toBe("even");
    expect(even.working.slice(-3).reduce((sum, step) => sum + step.value, 0)).toBeCloseTo(100, 9);
  });

  it("refuses lines of different length", () => {
    expect(() => lines([[1, 2], [3]])).toThrow(/as many catches as the first/);
  });
});
