import { describe, expect, it } from "vitest";
import { layoutSchema } from "./layout.ts";
import { newZoneSchema, setUpSchema, SYSTEM_NAMES, zoneUpdateSchema } from "./zone.ts";

const zone = {
  name: "Tunnel 1",
  house: { name: "Tunnel", transmissionPct: 60 },
  definition: {
    system: "soil-drip",
    areaM2: 500,
    plants: 500,
    flowLh: 4000,
    uniformityPct: 90,
    startAfterSunriseMin: 30,
    endBeforeSunsetMin: 60,
    minGapMin: 0,
    availableMmM: 150,
    wettedPct: 60,
    refillPct: 100,
    triggerPct: 5,
    ecWaterMsCm: 0.5,
    mulchSavesPct: 0,
  },
  unconfirmed: ["wettedPct"],
  plantings: [],
};
const faults = (change: object): { path: string; message: string }[] => {
  const parsed = newZoneSchema.safeParse({ ...zone, ...change });
  return parsed.success
    ? []
    : parsed.error.issues.map(({ path, message }) => ({ path: path.map(String).join("."), message }));
};

describe("a zone", () => {
  it("is taken with what may be left out filled in: no layout, the first source's water", () => {
    expect(newZoneSchema.parse(zone)).toMatchObject({ layout: null, waters: [] });
  });

  it.each([
    [
      "a system that nobody knows",
      { definition: { ...zone.definition, system: "hope" } },
      "definition.system",
      /one of substrate/,
    ],
    [
      "a field of another system",
      { definition: { ...zone.definition, bundCm: 20 } },
      "definition",
      /bundCm is not known here/,
    ],
    ["half a plant", { definition: { ...zone.definition, plants: 1.5 } }, "definition.plants", /whole number/],
    [
      "no light at all",
      { house: { name: "Cellar", transmissionPct: 0 } },
      "house.transmissionPct",
      /1 to 100 %, not 0/,
    ],
    [
      "waters that do not add up",
      {
        waters: [
          { sourceId: 1, sharePct: 60 },
          { sourceId: 2, sharePct: 30 },
        ],
      },
      "waters",
      /add up to 100 %/,
    ],
    [
      "a crop's name as long as a letter",
      { plantings: [{ cropId: "c".repeat(200), plantedOn: "2026-05-01", clearedOn: null, signs: [] }] },
      "plantings.0.cropId",
      /200 letters long/,
    ],
    [
      "a planting before the calendar",
      { plantings: [{ cropId: "courgette", plantedOn: "1066-10-14", clearedOn: null, signs: [] }] },
      "plantings.0.plantedOn",
      /1900-01-01/,
    ],
  ])("is refused with %s, by its path and in our words", (_what, change, path, words) => {
    expect(faults(change)).toEqual([{ path, message: expect.stringMatching(words) as string }]);
  });

  it("is changed only at a version", () => {
    expect(zoneUpdateSchema.safeParse(zone).success).toBe(false);
    expect(zoneUpdateSchema.safeParse({ ...zone, version: 3 }).success).toBe(true);
  });

  it("has one of six systems", () => expect(new Set(SYSTEM_NAMES).size).toBe(6));
});

const layout = {
  beds: 4,
  lengthM: 30,
  widthM: 1.6,
  rows: 2,
  inRowM: 0.5,
  offset: false,
  linesPerBed: 2,
  dripperSpacingM: 0.2,
  dripperLh: 1.1,
  drippersPerPlant: 0,
};
const withVessel = (vessel: object): boolean => layoutSchema.safeParse({ ...layout, vessel }).success;

describe("what a zone's roots live in", () => {
  it.each(["bag", "slab", "pot", "trough", "table", "mat"])("a %s says what it holds", (kind) => {
    expect(withVessel({ kind, substrateL: 20, plants: 3, holdsPct: 60 })).toBe(true);
    expect(withVessel({ kind, returnL: 0 })).toBe(false);
  });
  it.each(["float", "deep", "film", "channel"])("a %s says what returns", (kind) => {
    expect(withVessel({ kind, returnL: 100 })).toBe(true);
    expect(withVessel({ kind, substrateL: 20, plants: 3, holdsPct: 60 })).toBe(false);
  });
});

describe("a layout", () => {
  it("may have no vessel, and never half a bed", () => {
    expect(layoutSchema.parse(layout).vessel).toBeNull();
    expect(layoutSchema.safeParse({ ...layout, beds: 2.5 }).success).toBe(false);
  });
});

describe("an empty folder", () => {
  it("has a set-up without a site", () => {
    expect(setUpSchema.parse({ site: null, zones: [], crops: [], sources: [] }).site).toBeNull();
  });
});
