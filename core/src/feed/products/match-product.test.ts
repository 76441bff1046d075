import { expect, it } from "vitest";
import { libraryProductLike } from "./match-product.ts";

it.each([
  ["Calcium nitrate, double salt", { nitrateN: 14.4, ammoniumN: 1.1, CaO: 26.3 }, "calcium-nitrate"],
  ["Potassium chloride", { K2O: 60 }, "potassium-chloride"],
  ["Magnesium sulphate heptahydrate", { MgO: 16, SO3: 32 }, "magnesium-sulphate-7w"],
  ["Iron chelate EDDHA", { Fe: 6 }, "iron-eddha-6"],
  ["Nitric acid 60 %", { nitrateN: 13.3 }, "nitric-acid-60"],
])("%s by its label is the library's own", (name, label, id) => {
  expect(libraryProductLike(name, label)?.id).toBe(id);
});

it("a blend, or a salt of another strength, is none of the library", () => {
  expect(
    libraryProductLike("Grade 20-20-20 nitrate", { nitrateN: 5.6, ammoniumN: 4, P2O5: 20, K2O: 20 }),
  ).toBeUndefined();
  expect(libraryProductLike("Potassium nitrate", { nitrateN: 10, K2O: 46 })).toBeUndefined();
});
