import { describe, expect, it } from "vitest";
import { doseNeed } from "./need.ts";
import { CLASS_FACTOR, classOf } from "./soil-class.ts";

describe("the class of a soil", () => {
  it.each([
    // AHDB RB209: P index 1 is 10 to 15 mg/L, 2 is 16 to 25, 3 is 26 to 45; K index 1 is 61 to 120, 2 is 121 to 240, 3 is 241 to 400
    ["P", 9, "build"],
    ["P", 15, "build"],
    ["P", 16, "keep"],
    ["P", 25, "keep"],
    ["P", 26, "draw-down"],
    ["P", 46, "none"],
    ["K", 120, "build"],
    ["K", 121, "keep"],
    ["K", 241, "draw-down"],
    ["K", 401, "none"],
  ] as const)("of %s at %s mg/kg is to %s", (nutrient, mgKg, is) => {
    expect(classOf(nutrient, mgKg)).toBe(is);
  });

  it("gives more than is removed, as much, less, or nothing, before credits and what is taken up of it", () => {
    const need = (P: number, K: number) =>
      doseNeed({
        ...{ yieldTHa: 50, removalKgT: { N: 2, P: 0.4, K: 3 }, efficiencyPct: { N: 80, P: 100, K: 80 } },
        credits: { water: { mm: 300, kMgL: 10 } },
        soilFactor: { P, K },
      }).toGiveKgHa;
    // 20 kg of P; 150 kg of K, 30 of it in the water
    expect(need(CLASS_FACTOR.build, CLASS_FACTOR.keep)).toMatchObject({ P: 30, K: 150 });
    expect(need(CLASS_FACTOR.none, CLASS_FACTOR["draw-down"])).toMatchObject({ P: 0, K: 56.25 });
    expect(need(1, 1).N).toBe(125);
  });
});
