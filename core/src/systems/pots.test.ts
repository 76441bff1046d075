import { describe, expect, it } from "vitest";
import { SUBSTRATE } from "../site/zones-for-tests.ts";
import { mouthShare } from "./pots.ts";

const zone = { ...SUBSTRATE, areaM2: 100, plants: 200, waterHeldLPlant: 4 };

describe("what lies open of pots", () => {
  it("is their mouths: two of 10 L on each square metre, as wide as they are tall, open 8.5 % of it", () => {
    // d = ∛(4 · 0.010 ÷ π) = 0.2335 m; π/4 · d² = 0.0428 m²; two of them
    const pot = { kind: "pot", substrateL: 10, plants: 1, holdsPct: 40 } as const;
    expect(mouthShare(zone, pot)).toBeCloseTo(0.0857, 3);
    expect(mouthShare(zone, { ...pot, plants: 2 })).toBeCloseTo(0.0857 / 2, 3);
  });

  it("is nothing of bags and slabs in film, and never more than the ground", () => {
    expect(mouthShare(zone, { kind: "bag", substrateL: 20, plants: 3, holdsPct: 60 })).toBe(0);
    expect(mouthShare(zone, { kind: "slab", substrateL: 15, plants: 3, holdsPct: 75 })).toBe(0);
    expect(mouthShare({ ...zone, plants: 1_000_000 }, null)).toBe(1);
  });

  it("goes by the water that a pot holds where nobody said how large it is", () => {
    // 4 L are 45 % of 8.9 L
    expect(mouthShare(zone, null)).toBeCloseTo(2 * 0.0395, 3);
  });
});
