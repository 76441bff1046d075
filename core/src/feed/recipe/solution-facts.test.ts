import { describe, expect, it } from "vitest";
import { libraryProduct } from "../products/library.ts";
import { carbonPerGram, type LibraryProduct } from "../products/product.ts";
import { closedPh } from "./recipe-ph.ts";

const product = (id: string): LibraryProduct => libraryProduct(id) ?? expect.fail(id);
const at = (id: string, tens: number): number => product(id).solubility?.[tens] ?? NaN;

describe("what dissolves in a tank", () => {
  it.each([
    // Mass share of a saturated solution by the density of such a solution, CRC Handbook: 24.0 % at 1.162 kg/L
    ["potassium-nitrate", 2, 279],
    // 10.0 % at 1.081 kg/L
    ["potassium-sulphate", 2, 108],
    // 26.5 % at 1.198 kg/L
    ["sodium-chloride", 2, 317],
  ])("of %s is told per litre of solution, not of water", (id, tens, gL) => {
    expect(Math.abs(at(id, tens) / gL - 1)).toBeLessThan(0.04);
  });

  it("is never more than a litre has room for", () => {
    for (const id of ["potassium-nitrate", "calcium-nitrate-4w", "magnesium-sulphate-7w"]) {
      const table = libraryProduct(id)?.solubility ?? [];
      for (const gL of table) expect(gL).toBeLessThanOrEqual(1500);
    }
  });
});

describe("the carbon of alkaline products", () => {
  const mmol = (id: string) => product(id).composition.HCO3 ?? NaN;

  it("is one to each alkalinity of a bicarbonate, half of that of a carbonate, and none of a silicate or borate", () => {
    expect(carbonPerGram(product("potassium-bicarbonate"))).toBeCloseTo(mmol("potassium-bicarbonate"), 9);
    expect(carbonPerGram(product("potassium-carbonate"))).toBeCloseTo(mmol("potassium-carbonate") / 2, 9);
    expect(carbonPerGram(product("potassium-silicate"))).toBe(0);
    expect(carbonPerGram(product("borax-10w"))).toBe(0);
    // A product of one's own that says nothing of carbon: two of alkalinity come with each Si.
    expect(carbonPerGram({ composition: { K: 12, Si: 6, HCO3: 12 } })).toBe(0);
  });

  it("matters to the feed's pH: acid against silicate frees no carbonic acid that would hold the pH down", () => {
    const water = { ions: { HCO3: 0.5 }, ph: 7 };
    // 2 mmol/L of alkalinity from silicate met by 2.2 of acid leave 0.3 of alkalinity.
    const without = closedPh(water, { HCO3: 0.3 }, 0);
    const asIfBicarbonate = closedPh(water, { HCO3: 0.3 }, 2);
    expect(without - asIfBicarbonate).toBeGreaterThan(0.4);
  });
});
