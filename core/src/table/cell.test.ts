import { describe, expect, it } from "vitest";
import { measuredCell } from "./cell.ts";

describe("a cell of a measured column", () => {
  it.each([
    ["5.4 - 5.8", 5.6],
    ["5.4–5.8 mS/cm", 5.6],
    ["5.4 to 5.8", 5.6],
    ["2 bis 4", 3],
    ["10..20", 15],
    ["-5 - 5 °C", 0],
  ])("%s is a range, and its middle is what it offers", (text, likely) => {
    const { kind, value, likely: offered } = measuredCell(text, ".");
    expect([kind, value]).toEqual(["range", null]);
    expect(offered).toBeCloseTo(likely, 9);
  });

  it.each([
    ["~~6.4~~ 5.9", 5.9],
    ["<s>6.4</s> 5.9", 5.9],
    ["6̶.̶4̶ 5.9", 5.9],
    ["6.4 → 5.9", 5.9],
    ["6.4 -> 5.9 mS/cm", 5.9],
    ["6.4 (crossed out) 5.9", 5.9],
    ["6.4 corrected to 5.9", 5.9],
  ])("%s was struck out, and what replaced it is offered", (text, likely) => {
    expect(measuredCell(text, ".")).toMatchObject({ kind: "struck", value: null, likely });
  });

  it.each(["~~6.4~~", "6̶.̶4̶", "6.4 (struck out)"])("%s was struck out and nothing replaced it", (text) => {
    const { kind, value, likely } = measuredCell(text, ".");
    expect([kind, value, likely]).toEqual(["struck", null, undefined]);
  });

  it.each(["6.4 / 5.9", "6.4;5.9", "6.4 (5.9)", "6.4 5.9", "6.4 and 5.9"])(
    "%s are two figures, and neither is taken nor offered",
    (text) => {
      const { kind, value, likely } = measuredCell(text, ".");
      expect([kind, value, likely]).toEqual(["several", null, undefined]);
    },
  );

  it.each(["6.4 / 6.4", "6.46.4"])("%s is one figure twice, and it is offered", (text) => {
    expect(measuredCell(text, ".")).toMatchObject({ kind: "several", value: null, likely: 6.4 });
  });

  it.each([
    ["1 234,5", 1234.5, ""],
    ["1 234", 1234, ""],
    ["-12,5 °C", -12.5, "°C"],
    ["35 g/m2", 35, "g/m2"],
    ["12 mg/100 g", 12, "mg/100 g"],
    ["1e-3", 0.001, ""],
    ["7,5 cmol(+)/kg", 7.5, "cmol(+)/kg"],
  ])("%s is one figure", (text, value, unit) => {
    expect(measuredCell(text, ",")).toMatchObject({ kind: "number", value, unit });
  });

  it.each([
    ["<0,05 mg/l", "below", 0.05],
    [">20", "above", 20],
    ["traces", "below", null],
    ["n.d.", "empty", null],
    ["sehr viel", "unreadable", null],
    ["12 Beete zu je 3", "unreadable", null],
  ])("%s is %s", (text, kind, value) => {
    expect(measuredCell(text, ",")).toMatchObject({ kind, value });
  });
});
