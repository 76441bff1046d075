import type { CropStation, PlantingTime, ZoneCrop } from "@sprunel/contract/crop";
import type { FeedStation } from "@sprunel/contract/feed";
import type { DayPicks } from "@sprunel/contract/harvest";
import type { RootStation } from "@sprunel/contract/rootzone";
import { zoneFeed } from "./sample-site.ts";

/** What the stations tell of all three zones of the made-up site. */

const DATE = "2026-06-16";
const said = { source: "FAO-56, table 12", assumed: false };
const assumed = { source: "usual practice; assumed", assumed: true };

export function feedStation(more: Partial<FeedStation> = {}): FeedStation {
  const tank = { id: "A", volumeL: 200, dilution: 100 };
  const mixed = { at: "2026-06-13T04:30:00.000Z", levelL: 200, assumedFull: false, givenL: 18_500 };
  return {
    date: DATE,
    shelf: zoneFeed().shelf,
    zones: [
      {
        zoneId: 1,
        name: "Melon bags",
        stage: "Fill",
        tanksSet: true,
        litresToday: 3321,
        litresDay: 3400,
        tanks: [
          { ...tank, mixed, levelL: 15, daysLeft: 0 },
          { ...tank, id: "B", mixed: { ...mixed, assumedFull: true }, levelL: 140, daysLeft: 4 },
        ],
      },
      {
        zoneId: 2,
        name: "Dry bags",
        stage: "Fill",
        tanksSet: false,
        litresToday: null,
        litresDay: null,
        tanks: [{ ...tank, mixed: null, levelL: null, daysLeft: null }],
      },
    ],
    ...more,
  };
}

export const rootStation: RootStation = {
  zones: [
    {
      zoneId: 1,
      past: {
        drainEcMsCm: [3.04, 3.1, 2.95, 3.0].map((value, at) => ({ at: `2026-06-1${5 - at}T14:30:00.000Z`, value })),
        drainPct: [27, 25, 29].map((value, at) => ({ at: `2026-06-1${5 - at}T14:30:00.000Z`, value })),
        drainPh: [{ at: "2026-06-15T14:30:00.000Z", value: 4.1 }],
      },
      bands: { drainEcMsCm: { from: 2.3, to: 3.5 }, drainPh: { from: 5, to: 6.6 } },
    },
    { zoneId: 2, past: {}, bands: {} },
    { zoneId: 3, past: { levelCm: [{ at: "2026-06-15T06:00:00.000Z", value: 24.6 }] }, bands: {} },
  ],
};

const over = { done: 192, of: 192, unit: "°C·d", early: null, late: null };
const melons: PlantingTime = {
  zoneId: 1,
  zoneName: "Melon bags",
  cropId: "melon-netted",
  cropName: "Netted melon",
  perennial: false,
  key: "2026-04-20",
  part: null,
  plants: 1280,
  plantedOn: "2026-04-20",
  clearedOn: null,
  stages: [
    { id: "leaf", name: "Leaf growth", from: "2026-04-20", to: "2026-05-21", seen: false, picking: false, ...over },
    { id: "flowering", name: "Flowering", from: "2026-05-21", to: "2026-06-08", seen: true, picking: false, ...over },
    {
      ...{ id: "fill", name: "Fill", from: "2026-06-08", to: "2026-07-02", seen: false, picking: false },
      ...{ ...over, done: 108, of: 288 },
    },
    {
      ...{ id: "ripening", name: "Ripening", from: "2026-07-02", to: "2026-07-18", seen: false, picking: true },
      ...{ ...over, done: 0, early: "2026-06-30", late: "2026-07-05" },
    },
  ],
};

export const cropStation: CropStation = {
  date: DATE,
  plantings: [melons],
  dates: [
    { on: "2026-06-24", zoneId: 1, zoneName: "Melon bags", what: "Netted melon: sow", note: "1498" },
    { on: "2026-07-02", zoneId: 1, zoneName: "Melon bags", what: "Netted melon: ripening", note: "foreseen" },
  ],
};

export function zoneCrop(more: Partial<ZoneCrop> = {}): ZoneCrop {
  return {
    zoneId: 1,
    version: 5,
    areaM2: 640,
    date: DATE,
    planting: melons,
    beside: [{ key: melons.key, cropName: melons.cropName, part: null, plants: 1280, stage: "Fill", leads: true }],
    stand: {
      ...{ part: null, plants: null, ageYears: 0, establishYears: 2, waterAim: "yield", steps: [] },
      ...{ planted: 1280, left: null, groundPct: 100, perM2: 2, heldLPlant: 5, fromStemCm: null },
      ...{ perennial: false, year: 1, aim: "yield", can: ["spaced", "potted-on", "drippers"] },
    },
    now: {
      stageId: "fill",
      day: 9,
      days: 24,
      kc: 0.85,
      leafAreaIndex: 3,
      rootDepthM: 0.8,
      drainTargetPct: 28,
      drierPct: 0,
      feed: { name: "Melon, fruit", ecMsCm: 2.4, ph: 5.6, ...assumed },
      sources: { stages: assumed, kc: said, leafArea: assumed, rootDepth: said, drainTarget: assumed },
    },
    air: {
      dayC: [24, 32],
      nightC: [17, 21],
      lightMolM2: [15, 35],
      mostRhPct: 85,
      ...{ rootC: [18, 25], co2Ppm: [400, 1000], co2Hours: 11 },
      said: assumed,
      days: ["2026-06-12", "2026-06-13", "2026-06-14", "2026-06-15"].map((date, at) => ({
        date,
        kinds: [
          { kind: "day", value: 26 + at, side: 0, hours: 0 },
          { kind: "night", value: 15 + at, side: at < 2 ? -1 : 0, hours: 3 },
          { kind: "humidity", value: at, side: 0, hours: at },
          { kind: "light", value: 24, side: 0, hours: 0 },
        ],
      })),
      outside: [],
      lamps: null,
    },
    nights: null,
    next: null,
    past: [],
    practices: [],
    fits: [],
    shifts: [],
    ...more,
  };
}

export function dayPicks(more: Partial<DayPicks> = {}): DayPicks {
  const kg = { kind: "mass" } as const;
  const heads = { kind: "piece", one: "head", many: "heads" } as const;
  const none = { clock: null, pickedOn: "2026-06-14", brixPct: null, struck: null };
  const standing = { areaM2: 500, picking: true, pickedPerM2: 1.5, pathPerM2: 2.1, targetPerM2: 6, picks: [] };
  return {
    date: DATE,
    zones: [
      {
        ...{ zoneId: 1, name: "Melon bags", crop: "Netted melon", soldAs: kg, ...standing },
        past: [{ ...none, id: 3, massKg: 310, count: 240, grade: "class 1" }],
      },
      { ...{ zoneId: 2, name: "Dry bags", crop: "Netted melon", soldAs: kg, ...standing }, past: [] },
      {
        ...{ zoneId: 3, name: "Lettuce tanks", crop: "Butterhead lettuce", soldAs: heads, ...standing },
        past: [{ ...none, id: 4, massKg: null, count: 440, grade: null }],
        picks: [{ ...none, id: 9, pickedOn: DATE, massKg: null, count: 120, grade: null }],
      },
    ],
    ...more,
  };
}
