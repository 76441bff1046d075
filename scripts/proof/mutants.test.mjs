import { describe, expect, it } from "vitest";
import { drawn, mutantsOf } from "./mutants.mjs";

/** The code as each mutant would have it. */
const changed = (code) =>
  mutantsOf("a.ts", code).map(({ start, end, text }) => code.slice(0, start) + text + code.slice(end));

describe("changes that a test should notice", () => {
  it("take a bound both ways, and a figure beside an operator", () => {
    expect(changed("a < 3;")).toEqual(["a <= 3;", "a >= 3;", "a < (3 * 2);"]);
    expect(changed("x * 0;")).toEqual(["x / 0;", "x * 1;"]);
  });

  it("negate what is asked, turn a clamp, drop a sign", () => {
    expect(changed("if (ok) go();")).toEqual(["if (!(ok)) go();"]);
    expect(changed("Math.min(1, x);")).toEqual(["Math.max(1, x);"]);
    expect(changed("f(-x);")).toEqual(["f(x);"]);
    expect(changed("a && !b;")).toEqual(["a || !b;", "a && !!b;"]);
  });

  it("leave words and types alone", () => {
    expect(changed('"a" + b;')).toEqual([]);
    expect(changed("type A = 1 | true; const a: Record<string, true> = b;")).toEqual([]);
  });

  it("say where they are", () => {
    expect(mutantsOf("a.ts", "\n\na > b;")[0]).toMatchObject({ file: "a.ts", line: 3, was: ">", text: ">=" });
  });

  const lines = Array.from({ length: 50 }, (_, at) => `a${at} + b;`);
  const added = (code, count, seed) => drawn(mutantsOf("a.ts", code.join("\n")), count, seed).map(({ place }) => place);

  it("are drawn the same for the same seed, none of them twice", () => {
    expect(added(lines, 20, 7)).toEqual(added(lines, 20, 7));
    expect(added(lines, 20, 8)).not.toEqual(added(lines, 20, 7));
    expect(new Set(added(lines, 50, 7)).size).toBe(50);
  });

  it("stay drawn where other lines come, go or move", () => {
    const before = added(lines, 20, 7);
    const after = added(["  x - y;", ...lines.toReversed()], 20, 7);
    expect(after.filter((place) => before.includes(place)).length).toBeGreaterThanOrEqual(19);
    expect(
      drawn(mutantsOf("a.ts", "a + b;\na + b;"), 2, 7)
        .map(({ line }) => line)
        .toSorted(),
    ).toEqual([1, 2]);
  });
});
