import loadHighs from "highs";
import { beforeAll, describe, expect, it } from "vitest";
import { lpSolver } from "./highs-lp.ts";
import { libraryProduct } from "../products/library.ts";
import { meterCheck, type MeterCheckInput } from "./meter-check.ts";
import { recipe, type Recipe } from "./recipe.ts";

const water = {
  ions: { Ca: 1.9, Mg: 0.55, Na: 1, K: 0.1, NO3: 0.1, Cl: 0.9, SO4: 0.3, HCO3: 4.4 },
  ph: 7.4,
  temperatureC: 15,
};
const ids = [
  "calcium-nitrate",
  "potassium-nitrate",
  "potassium-sulphate",
  "monopotassium-phosphate",
  "magnesium-sulphate-7w",
  "nitric-acid-60",
];
let answer: Recipe;
let input: Omit<MeterCheckInput, "measured" | "sinceMix">;
beforeAll(async () => {
  const target = { ions: { NO3: 15, H2PO4: 1.5, SO4: 2, K: 8, Ca: 4.5, Mg: 2 }, ph: 5.8 };
  answer = recipe({ water, target, products: ids.map((id) => ({ id })) }, lpSolver(await loadHighs()));
  input = { water, lines: answer.lines, products: ids.flatMap((id) => libraryProduct(id) ?? []) };
});
/** What a pen shows when only so much of some tanks arrives. */
const shown = (factors: Record<string, number>, change: Partial<typeof water> = {}) => {
  const lines = answer.lines.map((line) => ({ ...line, gM3: line.gM3 * (factors[line.tankId] ?? 1) }));
  const { expected } = meterCheck({
    ...input,
    water: { ...water, ...change },
    lines,
    measured: { ecMsCm: 1, ph: 7 },
    sinceMix: "unknown",
  });
  return expected;
};
const check = (measured: MeterCheckInput["measured"], sinceMix: MeterCheckInput["sinceMix"] = "unknown") =>
  meterCheck({ ...input, measured, sinceMix });

describe("the meter against the sum", () => {
  it("expects what the recipe expects, and finds nothing in what fits", () => {
    const { expected, verdict } = check({ ecMsCm: answer.delivered.ecMsCm * 1.03, ph: answer.delivered.ph + 0.2 });
    expect(verdict).toBe("fits");
    expect(expected.ecMsCm).toBeCloseTo(answer.delivered.ecMsCm, 2);
    expect(expected.ph).toBeCloseTo(answer.delivered.ph, 2);
  });

  it.each([
    ["both tanks at half", { A: 0.5, B: 0.5 }, "both-tanks", null, 0.5],
    ["the tank with the acid left out", { B: 0 }, "one-tank", "B", 0],
  ])("tells %s by EC and pH together", (_what, factors, verdict, tankId, factor) => {
    const { ecMsCm, ph } = shown(factors);
    expect(check({ ecMsCm, ph })).toMatchObject({ verdict, tankId, factor: expect.closeTo(factor, 2) });
  });

  it("names the simpler cause first, and beside it what the pens cannot tell from it", () => {
    // Acid stands in the tank that is short: less of it alone looks like less of both.
    expect(check(shown({ A: 0.33 }))).toMatchObject({
      verdict: "both-tanks",
      alsoPossible: [{ tankIds: ["A"], factor: expect.closeTo(0.33, 2) }],
    });
  });

  it("suspects the water when only the pH is off, and says which alkalinity would explain it", () => {
    const { ph } = shown({}, { ions: { ...water.ions, HCO3: 6 } });
    const found = check({ ecMsCm: answer.delivered.ecMsCm, ph });
    expect(found).toMatchObject({ verdict: "alkalinity", alkalinityMmolL: expect.closeTo(6, 0) });
    expect(found.nextCheck).toMatch(/the recipe counts on 4.4/);
  });

  it("tells a dosing fault from a mixing error by whether readings since the mix once fitted", () => {
    const measured = shown({ A: 0.5, B: 0.5 });
    expect(check(measured, "fitted-before")).toMatchObject({
      fault: "dosing",
      nextCheck: expect.stringMatching(/doser draws/),
    });
    expect(check(measured, "off-from-the-start")).toMatchObject({
      fault: "mixing",
      nextCheck: expect.stringMatching(/in a jug/),
    });
  });

  it("asks for the pH when the EC alone cannot tell, and names no cause that explains nothing", () => {
    const { ecMsCm } = shown({ A: 0.5, B: 0.5 });
    expect(check({ ecMsCm, ph: null })).toMatchObject({
      verdict: "unexplained",
      nextCheck: expect.stringMatching(/Measure the pH/),
    });
    expect(check({ ecMsCm: answer.delivered.ecMsCm * 0.6, ph: 9.5 }).verdict).toBe("unexplained");
    expect(() => check({ ecMsCm: -1, ph: 6 })).toThrow(expect.objectContaining({ path: "measured.ecMsCm" }));
  });
});
