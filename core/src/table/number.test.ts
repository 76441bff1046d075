import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { decimalMark, readNumber, typedNumber } from "./number.ts";

describe("a number that a person types", () => {
  it.each([
    ["1,9", 1.9],
    ["1.9", 1.9],
    ["−0,5", -0.5],
    [",5", 0.5],
    ["12", 12],
    ["12,", 12],
    ["1 234,5", 1234.5],
    ["1'234.5", 1234.5],
    ["1.234,5", 1234.5],
    ["1,234.5", 1234.5],
    ["1,234,567", 1234567],
    ["0,234", 0.234],
    ["0.234", 0.234],
    ["43,4125", 43.4125],
    ["1234,567", 1234.567],
  ])("%s is one number, whichever mark it was typed with", (text, value) => {
    expect(typedNumber(text)).toEqual({ kind: "number", value });
  });

  it.each([
    ["1.234", 1.234, 1234],
    ["1,234", 1.234, 1234],
    ["-12.500", -12.5, -12500],
  ])("%s can be read two ways, and neither is guessed", (text, decimal, thousands) => {
    expect(typedNumber(text)).toEqual({ kind: "either", decimal, thousands });
  });

  it.each(["abc", "1,9x", "1.2.3", "--4", "1,23,456", "-", "1e999", "Infinity", "NaN"])("%s is none", (text) => {
    expect(typedNumber(text)).toEqual({ kind: "unreadable" });
  });

  it.each(["", "   "])("nothing typed is nothing, not zero", (text) => {
    expect(typedNumber(text)).toEqual({ kind: "nothing" });
  });

  it("comes back from how any number is written, with point or comma, or is asked about", () => {
    const number = fc.tuple(fc.integer({ min: -999_999, max: 999_999 }), fc.integer({ min: 0, max: 5 }));
    fc.assert(
      fc.property(number, fc.constantFrom(".", ","), ([digits, places], mark) => {
        const value = digits / 10 ** places;
        const read = typedNumber(value.toFixed(places).replace(".", mark));
        if (read.kind === "either") expect(read.decimal).toBeCloseTo(value, 9);
        else expect(read).toEqual({ kind: "number", value: expect.closeTo(value, 9) as number });
      }),
    );
  });
});

describe("a number in a file", () => {
  it("has a point for thousands where the file's decimals have commas, and only where thousands can be", () => {
    expect(readNumber("1.234", ",")).toBe(1234);
    expect(readNumber("1234.567", ",")).toBe(1234.567);
    expect(readNumber("0.234", ",")).toBe(0.234);
  });

  it("is told by whichever mark stands before other than three digits more often", () => {
    expect(decimalMark(["1,5", "2,25", "1.5", "1,234"])).toEqual({ decimal: ",", assumed: false });
    expect(decimalMark(["1.5", "12,000"])).toEqual({ decimal: ".", assumed: false });
    expect(decimalMark(["0,125", "2,261"])).toEqual({ decimal: ",", assumed: false });
  });

  it("is assumed where numbers could be read either way: that of the delimiter's country", () => {
    expect(decimalMark(["2,261", "3,100"], ";")).toEqual({ decimal: ",", assumed: true });
    expect(decimalMark(["2,261", "3,100"], "\t")).toEqual({ decimal: ".", assumed: true });
    expect(decimalMark(["2", "3"], ";")).toEqual({ decimal: ".", assumed: false });
  });
});
