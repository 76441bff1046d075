import { describe, expect, it } from "vitest";
import { GRAVITY_MS2 } from "../water/water-properties.ts";
import { frictionSlope } from "./pipe-friction.ts";

const VISCOSITY_M2S = 1.004e-6;

/** The Darcy friction factor that a slope stands on: h = f · v² ÷ (D · 2g). */
function factorAt(reynolds: number, diameterM: number): number {
  const velocity = (reynolds * VISCOSITY_M2S) / diameterM;
  const flow = velocity * (Math.PI / 4) * diameterM ** 2;
  return (frictionSlope(diameterM, VISCOSITY_M2S)(flow) * diameterM * 2 * GRAVITY_MS2) / velocity ** 2;
}

/** Colebrook and White, 1/√f = −2 log₁₀(ε ÷ 3.7 D + 2.51 ÷ Re √f), by stepping until it stands. */
function colebrook(reynolds: number, diameterM: number, roughnessM: number): number {
  let root = 0.1;
  for (let step = 0; step < 60; step++)
    root = 1 / (-2 * Math.log10(roughnessM / (3.7 * diameterM) + 2.51 / (reynolds * root)));
  return root ** 2;
}

describe("the friction in a smooth pipe", () => {
  it("is 64 ÷ Re while water flows in layers, Blasius' beyond, and in between on the line that joins them", () => {
    expect(factorAt(1000, 0.016)).toBeCloseTo(0.064, 9);
    expect(factorAt(10_000, 0.016)).toBeCloseTo(0.3164 / 10, 9);
    const [laminar, turbulent] = [64 / 2000, 0.3164 / 3000 ** 0.25];
    expect(factorAt(2250, 0.016)).toBeCloseTo(0.75 * laminar + 0.25 * turbulent, 9);
    expect(factorAt(2750, 0.016)).toBeCloseTo(0.25 * laminar + 0.75 * turbulent, 9);
  });

  it.each([
    [2e5, 0.05],
    [5e5, 0.1],
    [2e6, 0.2],
  ])("is within one per cent of Colebrook and White's at Re %d in a pipe of %d m", (reynolds, diameterM) => {
    expect(factorAt(reynolds, diameterM) / colebrook(reynolds, diameterM, 1.5e-6)).toBeCloseTo(1, 1.7);
  });

  it("takes nothing of water that stands", () => {
    expect(frictionSlope(0.016, VISCOSITY_M2S)(0)).toBe(0);
  });
});
