import type { Main } from "@sprunel/contract/plan";
import type { DoseProgramme, FeedTarget } from "@sprunel/contract/feed";
import type { NewSite } from "@sprunel/contract/site";
import type { NewSource } from "@sprunel/contract/water";
import type { SimulatedHouse } from "@sprunel/field";
import { ago, type DemoZone } from "./story.ts";
import { outside } from "./zones-outside.ts";
import { underGlass } from "./zones-under-glass.ts";

/** Quillbrook, a small mixed nursery that never was. Zones are data: add one to a list and it gets its history. */

export const site: NewSite = {
  name: "Quillbrook",
  latitudeDeg: 43.4,
  longitudeDeg: -1.5,
  elevationM: 60,
  timeZone: "Europe/Paris",
  unitSystem: "metric",
  currency: "EUR",
  pumpLh: 16_000,
  kwhPrice: 0.22,
  dateForm: "dmy",
};

export const houses: Readonly<Record<string, SimulatedHouse>> = {
  "Glass A": { transmissionPct: 68, heatedToC: 17, ventedFromC: 27 },
  "Glass B": { transmissionPct: 66, heatedToC: 15, ventedFromC: 24 },
  "Tunnel 3": { transmissionPct: 62, heatedToC: -40, ventedFromC: 29 },
};

/** Four weeks before the first day shown the gauge of the basin was read. */
const GAUGE_READ_DAYS_AGO = 28;

export const sources: readonly NewSource[] = [
  {
    name: "Roof basin",
    kind: "roof",
    maxFlowLh: 12000,
    priceM3: 0.05,
    licenceM3Year: null,
    storage: { capacityM3: 320, levelM3: 190, readOn: ago(GAUGE_READ_DAYS_AGO), roofM2: 1800, runoffPct: 85 },
    turn: null,
    analysis: null,
  },
  {
    name: "Borehole",
    kind: "well",
    maxFlowLh: 15000,
    priceM3: 0.32,
    licenceM3Year: 9000,
    storage: null,
    turn: null,
    analysis: null,
  },
  {
    name: "Separated digestate",
    kind: "digestate",
    maxFlowLh: 2000,
    priceM3: null,
    licenceM3Year: null,
    storage: null,
    turn: null,
    analysis: {
      takenOn: ago(30),
      suspendedSolidsMgL: 95,
      nh4NMgL: 1650,
      organicNMgL: 900,
      pMgL: 230,
      kMgL: 2400,
      ecMsCm: 17.5,
      hygieneDays: 60,
    },
  },
];

/** What stands in the feed store: product, price per kg, kg. */
export const shelf: readonly (readonly [productId: string, priceKg: number, stockKg: number])[] = [
  ["calcium-nitrate", 0.55, 400],
  ["potassium-nitrate", 1.35, 250],
  ["potassium-sulphate", 1.25, 150],
  ["monopotassium-phosphate", 2.1, 125],
  ["magnesium-sulphate-7w", 0.45, 200],
  ["magnesium-nitrate-6w", 0.85, 75],
  ["ammonium-nitrate", 0.7, 25],
  ["ammonium-sulphate", 0.42, 75],
  ["nitric-acid-60", 0.65, 180],
  ["iron-dtpa-6", 6.8, 20],
  ["manganese-sulphate-1w", 2.2, 5],
  ["zinc-sulphate-7w", 2.4, 3],
  ["boric-acid", 2.6, 5],
  ["copper-sulphate-5w", 4.5, 2],
  ["sodium-molybdate-2w", 28, 1],
];

export const zones: readonly DemoZone[] = [...underGlass, ...outside];

/** Targets that the grower made fit the water, by the zone's name. */
export const targets: Readonly<Record<string, FeedTarget>> = {
  "Blueberry pots": {
    ions: {
      ...{ NH4: 2, NO3: 2.15, K: 2, Ca: 1, Mg: 0.75, SO4: 2.29, H2PO4: 0.75 },
      ...{ Fe: 15, Mn: 10, Zn: 5, B: 25, Cu: 0.75, Mo: 0.5 },
    },
    ph: 5,
  },
  "Courgette tunnel": {
    ions: {
      ...{ NH4: 0.5, NO3: 7.35, K: 3.57, Ca: 2.04, Mg: 1.02, SO4: 0.87, H2PO4: 0.5 },
      ...{ Fe: 7.5, Mn: 5, Zn: 2.5, B: 12.5, Cu: 0.375, Mo: 0.25 },
    },
    ph: 5.9,
  },
};

/** Doses of digestate by the zone's name, days ago; the fresh water flushed the lines. */
export const doses: Readonly<
  Record<string, readonly { readonly source: string; readonly daysAgo: number; readonly litres: number }[]>
> = {
  "Fennel field": [
    { source: "Separated digestate", daysAgo: 64, litres: 3200 },
    { source: "Separated digestate", daysAgo: 55, litres: 3100 },
  ],
};

/** How a zone is fed in doses, since when, and which of them could not be given. */
export interface Dosed extends Partial<DoseProgramme> {
  readonly daysAgo: number;
  readonly skippedAt: number;
}
/** Zones that are fed in doses beside the recipe of others. */
export const dosed: Readonly<Record<string, Dosed>> = {
  "Courgette tunnel": { daysAgo: 56, skippedAt: 3, school: "ration", everyDays: 7 },
};

/** What the zones of Quillbrook share: one pump, the drip lines' filter, one feed unit, and valves that somebody opens. */
export function sharedBy(idsOf: (names: readonly string[]) => number[]): Main {
  const drip = ["Melon bags", "Courgette tunnel", "Blueberry pots", "Fennel field"];
  return {
    limits: [
      { kind: "pump", name: "Pump", maxLh: 16_000, maxOpen: null, kw: 4, zoneIds: null },
      { kind: "filter", name: "Disc filter", maxLh: 13_000, maxOpen: null, kw: null, zoneIds: idsOf(drip) },
    ],
    mixers: [
      {
        name: "Feed unit",
        maxLh: 6000,
        rinseMin: 4,
        zoneIds: idsOf(["Melon bags", "Blueberry pots", "Succulent mats"]),
      },
    ],
    hands: {
      zoneIds: idsOf(["Fennel field", "Water spinach basin"]),
      hours: [
        { start: "06:30", end: "12:00" },
        { start: "15:00", end: "20:30" },
      ],
      reach: 1,
      walkMin: 5,
    },
    tariff: [
      { start: "00:00", end: "11:00", pricePerKwh: 0.19 },
      { start: "11:00", end: "15:00", pricePerKwh: 0.31 },
      { start: "15:00", end: "24:00", pricePerKwh: 0.22 },
    ],
    rules: [],
    runs: [],
  };
}
