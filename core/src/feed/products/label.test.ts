import { describe, expect, it } from "vitest";
import { libraryProduct } from "./library.ts";
import { compositionOfLabel, labelByMass } from "./label.ts";

describe("a bag by its label", () => {
  it("is the same in either convention: potassium nitrate 13.7 – 0 – 46.3, or K 38.4", () => {
    const oxide = compositionOfLabel({ nitrateN: 13.7, K2O: 46.3 }, false).composition;
    const element = compositionOfLabel({ nitrateN: 13.7, K: 46.3 * 0.8301 }, false).composition;
    expect(oxide.K).toBeCloseTo(element.K ?? NaN, 2);
    // The pure salt has 9.89 mmol of each in a gram; the library's is of 98 %.
    expect(oxide.K).toBeCloseTo(9.83, 2);
    expect(oxide.NO3).toBeCloseTo(libraryProduct("potassium-nitrate")?.composition.NO3 ?? NaN, 0);
  });

  it("knows an acid by the charge its anions have over: phosphoric acid with 54 % P₂O₅ is 75 %", () => {
    const { composition } = compositionOfLabel({ P2O5: 54.3 }, true);
    expect(composition.H2PO4).toBeCloseTo(libraryProduct("phosphoric-acid-75")?.composition.H2PO4 ?? NaN, 1);
    expect(composition.H).toBeCloseTo(composition.H2PO4 ?? NaN, 9);
  });

  it("refuses a label whose charges have no partner, and says what to look for", () => {
    expect(() => compositionOfLabel({ ammoniumN: 8, P2O5: 12, K2O: 30 }, false)).toThrow(
      /have no partner. Look for chloride, sulphate/,
    );
    expect(compositionOfLabel({ ammoniumN: 12, P2O5: 61 }, false).warnings).toEqual([]);
  });

  it("takes a label whose charges differ a little with a doubt, and says by how much", () => {
    // NO₃ 137 ÷ 14.007 = 9.78, K 400 · 2 ÷ 94.196 = 8.49 meq/g: 1.29 of 18.27 have no partner.
    expect(compositionOfLabel({ nitrateN: 13.7, K2O: 40 }, false).warnings).toEqual([
      expect.stringMatching(/differ by 7 %, and ammonium, potassium, sodium or a free acid may be missing/),
    ]);
    // 15 % are more than rounding explains.
    expect(() => compositionOfLabel({ nitrateN: 13.7, K2O: 34 }, false)).toThrow(/have no partner. Look for ammonium/);
  });

  it.each([
    [{ K2O: 46, K: 38 }, "label.K"],
    [{ nitrateN: 60, K2O: 50 }, "label"],
    [{ nitrateN: -1 }, "label.nitrateN"],
    [{}, "label"],
  ])("refuses %j", (label, path) => {
    expect(() => compositionOfLabel(label, false)).toThrow(expect.objectContaining({ path }));
  });

  it("turns a liquid's grams in 100 mL into per cent by mass, and asks for the density", () => {
    // 21 g of N in 100 mL that weigh 140 g are 15 %.
    expect(labelByMass({ nitrateN: 21 }, 1.4).nitrateN).toBeCloseTo(15, 9);
    expect(() => labelByMass({ nitrateN: 21 }, null)).toThrow(/needs the density/);
  });

  it("takes a bag that is all of one thing: 100 % are not too many", () => {
    expect(() => compositionOfLabel({ S: 100 }, false)).not.toThrow(/adds up/);
  });
});
