import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { fromCanonical, toCanonical, unitFor, UNITS, type Quantity, type UnitOf } from "./units.ts";

describe("units", () => {
  it("convert there and back without loss, for every unit of every quantity", () => {
    const quantities = Object.keys(UNITS) as Quantity[];
    fc.assert(
      fc.property(fc.constantFrom(...quantities), fc.nat(), evenly(-1e6, 1e6), (quantity, pick, value) => {
        const names = Object.keys(UNITS[quantity]);
        const name = names[pick % names.length] as UnitOf<Quantity>;
        const back = fromCanonical(quantity, toCanonical(quantity, value, name), name);
        expect(Math.abs(back - value)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(value)));
      }),
    );
  });

  it.each([
    ["temperature", 212, "°F", 100],
    ["volume", 1, "gal", 3.785411784],
    ["wind", 10, "mph", 4.4704],
    ["radiationFlux", 500, "W/m²", 1.8],
    ["radiation", 1, "ly", 0.04184],
    ["conductivity", 1500, "ppm (500)", 3],
    ["conductivity", 1280, "ppm (640)", 2],
    ["conductivity", 1400, "ppm (700)", 2],
    ["conductivity", 2, "dS/m", 2],
    ["conductivity", 2500, "µS/cm", 2.5],
    ["pressure", 1, "bar", 100],
    ["pressure", 10, "psi", 68.94757],
    ["pricePerBulk", 3.785411784, "per 1000 gal", 1],
    ["acidDose", 128, "fl oz/1000 gal", 1000],
    ["density", 1, "per ft²", 10.763910417],
    ["land", 1, "acre", 0.40468564224],
    ["perLand", 1, "lb/acre", 1.120851156],
    ["bulkPerLand", 1, "ton/acre", 2.241702312],
    ["perTonne", 2, "lb/ton", 1],
    ["smallMass", 16, "oz", 453.59237],
    ["smallVolume", 128, "fl oz", 3785.411784],
    ["perRow", 10, "oz per 10 ft", 93.01024647309711],
    ["strength", 1, "oz/gal", 7.489151707],
    ["perSubstrate", 1, "lb/yd³", 0.593276421],
  ] as const)("take %s %d %s for %d in the canonical unit", (quantity, value, name, canonical) => {
    expect(toCanonical(quantity, value, name as never)).toBeCloseTo(canonical, 9);
  });

  it("show American growers gallons and everybody the same conductivity", () => {
    expect(unitFor("volume", "us")).toBe("gal");
    expect(unitFor("conductivity", "us")).toBe("mS/cm");
    expect(unitFor("waterDepth", "metric")).toBe("L/m²");
  });
});
