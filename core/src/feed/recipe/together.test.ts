import { describe, expect, it } from "vitest";
import { libraryProduct } from "../products/library.ts";
import { mayStandTogether } from "./together.ts";

const together = (a: string, b: string) => {
  const [first, second] = [libraryProduct(a), libraryProduct(b)];
  if (!first || !second) throw new Error("both are in the library");
  return mayStandTogether({ ...first }, { ...second });
};

describe("two bags in one tank", () => {
  it.each([
    ["calcium-nitrate", "magnesium-sulphate-7w", /fall out as gypsum/],
    ["monopotassium-phosphate", "calcium-nitrate", /fall out as calcium phosphate/],
    ["nitric-acid-60", "iron-dtpa-6", /acid of Nitric acid 60 % breaks the chelate/],
    ["potassium-bicarbonate", "phosphoric-acid-75", /boils up/],
    ["calcium-nitrate", "potassium-carbonate", /lime/],
  ])("%s and %s stand apart, with the reason", (a, b, reason) => {
    expect(together(a, b)).toMatchObject({ ok: false, reason: expect.stringMatching(reason) });
  });

  it.each([
    ["calcium-nitrate", "potassium-nitrate"],
    ["calcium-nitrate", "iron-dtpa-6"],
    ["magnesium-sulphate-7w", "monopotassium-phosphate"],
    ["nitric-acid-60", "potassium-sulphate"],
  ])("%s and %s may stand together, either way round", (a, b) => {
    expect([together(a, b).ok, together(b, a).ok]).toEqual([true, true]);
  });
});
