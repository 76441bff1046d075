import { describe, expect, it } from "vitest";
import { fill, showNumber, Worksheet } from "./working.ts";

describe("a worksheet", () => {
  it("hands each value on and keeps the line that led to it, findable by its mark", () => {
    const sheet = new Worksheet();
    const litres = sheet.note(
      "Litres",
      "gross · area",
      fill`${4.25} × ${100}`,
      425,
      "L",
      "1 mm on 1 m² is 1 L",
      "litres",
    );
    expect(litres).toBe(425);
    expect(sheet.steps).toEqual([
      {
        label: "Litres",
        formula: "gross · area",
        substituted: "4.25 × 100",
        value: 425,
        unit: "L",
        source: "1 mm on 1 m² is 1 L",
      },
    ]);
    expect(sheet.marked.get("litres")).toBe(sheet.steps[0]);
  });

  it("that is silent does the same sum and never writes its text, but still warns", () => {
    const sheet = new Worksheet(false);
    const unread = (): string => {
      throw new Error("nobody reads this");
    };
    expect(sheet.note("Litres", "gross · area", unread, 425, "L", "", "litres")).toBe(425);
    sheet.add([{ label: "a", formula: "", substituted: "", value: 1, unit: "", source: "" }]);
    sheet.warn("too dry");
    sheet.warn("too dry");
    expect([sheet.steps, sheet.marked.size, sheet.warnings]).toEqual([[], 0, ["too dry"]]);
  });

  it.each([
    [0.00012346, "0.0001235"],
    [-1.5, "−1.5"],
    [12345.678, "12345.7"],
    [99.999, "100"],
  ])("shows %d as %s", (value, text) => {
    expect(showNumber(value)).toBe(text);
  });

  it("puts one text into another as it is filled", () => {
    expect(fill`(${fill`${2} × ${3}`}) + ${1}`()).toBe("(2 × 3) + 1");
  });
});
