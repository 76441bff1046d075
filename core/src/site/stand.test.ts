import { describe, expect, it } from "vitest";
import { seedlingsFor, standOf, type Layout } from "./stand.ts";

const tunnel: Layout = {
  beds: 4,
  lengthM: 50,
  widthM: 1.6,
  rows: 2,
  inRowM: 0.5,
  offset: false,
  linesPerBed: 2,
  dripperSpacingM: 0.2,
  dripperLh: 1.1,
  drippersPerPlant: 0,
  vessel: null,
};

describe("a stand from its layout", () => {
  it("follows by hand for twin rows on twin lines", () => {
    // 4 · 50 · 1.6 = 320 m²; 2 · 100 plants a bed; 4 · 2 · 250 = 2000 drippers; 2200 L/h; 2200 / 320 mm.
    expect(standOf(tunnel)).toMatchObject({
      areaM2: 320,
      plantsPerBed: 200,
      plants: 800,
      plantsPerM2: 2.5,
      plantsPerHa: 25_000,
      drippers: 2000,
      flowLh: expect.closeTo(2200, 6),
      litresPerPlantH: expect.closeTo(2.75, 9),
      mmPerH: expect.closeTo(6.875, 9),
      lineM: 400,
    });
  });

  it("has one plant less in every second row when rows are offset, and drippers at plants in bags", () => {
    expect(standOf({ ...tunnel, offset: true }).plantsPerBed).toBe(199);
    expect(standOf({ ...tunnel, drippersPerPlant: 1, dripperLh: 2 })).toMatchObject({ drippers: 800, flowLh: 1600 });
  });

  it("fills bags of three plants by hand, and spreads a return tank over the ground", () => {
    // 800 plants in threes: 267 bags; 24 L ÷ 3 · 0.6 = 4.8 L a plant. 1600 L on 320 m² are 5 mm.
    const vessel = { kind: "slab", substrateL: 24, plants: 3, holdsPct: 60 } as const;
    expect(standOf({ ...tunnel, vessel })).toMatchObject({ vessels: 267, substrateLPlant: 8, waterHeldLPlant: 4.8 });
    expect(standOf({ ...tunnel, vessel: { kind: "film", returnL: 1600 } }).returnCm).toBeCloseTo(0.5, 9);
  });

  it("raises more seedlings than there are places", () => {
    // 800 ÷ (0.9 · 0.95) = 935.7
    expect(seedlingsFor(800, 90, 5)).toBe(936);
    expect(seedlingsFor(800, 100, 0)).toBe(800);
  });

  it.each([
    [{ beds: 0 }, "beds"],
    [{ inRowM: 60 }, "inRowM"],
    [{ dripperSpacingM: NaN }, "dripperSpacingM"],
    [{ vessel: { kind: "pot", substrateL: 12, plants: 1, holdsPct: 120 } as const }, "vessel.holdsPct"],
  ])("refuses %j", (change, path) => {
    expect(() => standOf({ ...tunnel, ...change })).toThrow(expect.objectContaining({ path }));
  });
});
