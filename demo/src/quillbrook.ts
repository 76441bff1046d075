import type { NewSite, NewZone } from "@sprunel/contract/site";
import type { NewSource } from "@sprunel/contract/water";
import { addDays } from "@sprunel/core/time";
import type { SimulatedHouse } from "@sprunel/field";

/** Quillbrook, a small mixed nursery that never was. Zones are data: add one here and it gets its history. */

export const SEED = 20;
export const HISTORY_DAYS = 90;

export const site: NewSite = {
  name: "Quillbrook",
  latitudeDeg: 43.4,
  longitudeDeg: -1.5,
  elevationM: 60,
  timeZone: "Europe/Paris",
  unitSystem: "metric",
  currency: "EUR",
  pumpLh: 16_000,
};

export const houses: Readonly<Record<string, SimulatedHouse>> = {
  "Glass A": { transmissionPct: 68, heatedToC: 17, ventedFromC: 27 },
  "Glass B": { transmissionPct: 66, heatedToC: 15, ventedFromC: 24 },
  "Tunnel 3": { transmissionPct: 62, heatedToC: -40, ventedFromC: 29 },
};

/** Two waters; the level of the basin was read on the day that the story is first told. */
export function sources(today: string): readonly NewSource[] {
  return [
    {
      name: "Roof basin",
      kind: "roof",
      maxFlowLh: 12000,
      priceM3: 0.05,
      licenceM3Year: null,
      storage: { capacityM3: 320, levelM3: 190, readOn: today, roofM2: 2400, runoffPct: 85 },
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
        takenOn: addDays(today, -30),
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
}

/** What stands in the feed store: product, price per kg, kg. */
export const shelf: readonly (readonly [productId: string, priceKg: number, stockKg: number])[] = [
  ["calcium-nitrate", 0.55, 400],
  ["potassium-nitrate", 1.35, 250],
  ["potassium-sulphate", 1.25, 150],
  ["monopotassium-phosphate", 2.1, 125],
  ["magnesium-sulphate-7w", 0.45, 200],
  ["magnesium-nitrate-6w", 0.85, 75],
  ["ammonium-nitrate", 0.7, 25],
  ["nitric-acid-60", 0.65, 180],
  ["iron-dtpa-6", 6.8, 20],
  ["manganese-sulphate-1w", 2.2, 5],
  ["zinc-sulphate-7w", 2.4, 3],
  ["boric-acid", 2.6, 5],
  ["copper-sulphate-5w", 4.5, 2],
  ["sodium-molybdate-2w", 28, 1],
];

/** What is true of a zone and its plants, as against what the grower typed into the set-up. */
interface Truth {
  /** real demand over the modelled one */
  readonly demandFactor: number;
  /** share of the planned litres that reach the plants, by days before the first day shown */
  delivered(daysAgo: number): number;
  readonly feedEcMsCm: number;
  /** share of the concentrates that the doser really gives, so many days ago; all of it when left out */
  readonly dosed?: (daysAgo: number) => number;
  /** pH of the drain, so many days ago */
  drainPh(daysAgo: number): number;
  /** EC of what roots take up */
  readonly uptakeEcMsCm: number;
  /** days ago on which the valve was left shut */
  shut(daysAgo: number): boolean;
  /** what the pen shows in a tank of solution, so many days ago */
  readonly tank?: (daysAgo: number) => { readonly ecMsCm: number; readonly ph: number };
}

/** Days before the first day shown. */
interface DemoPlanting {
  readonly cropId: string;
  readonly plantedDaysAgo: number;
  readonly clearedDaysAgo: number | null;
}

/** What comes off while a crop is picked. */
interface DemoHarvest {
  readonly targetPerM2: number;
  readonly everyDays: number;
  readonly kgPerFruit: number;
  /** share of the target's path that is really picked, by days before the first day shown */
  share(daysAgo: number): number;
}

export interface DemoZone {
  readonly zone: Omit<NewZone, "plantings" | "waters" | "layout">;
  /** % of each source, by its name */
  readonly waters: Readonly<Record<string, number>>;
  /** in order of time, the last one standing */
  readonly plantings: readonly DemoPlanting[];
  readonly truth: Truth;
  readonly harvest: DemoHarvest;
}

/** A zone in which what is planned comes true. */
const STEADY: Truth = {
  demandFactor: 1,
  delivered: () => 0.99,
  feedEcMsCm: 1.6,
  drainPh: () => 6,
  uptakeEcMsCm: 1.3,
  shut: () => false,
};

export const zones: readonly DemoZone[] = [
  {
    waters: { "Roof basin": 70, Borehole: 30 },
    zone: {
      name: "Melon bags",
      house: { name: "Glass A", transmissionPct: 68 },
      definition: {
        system: "substrate",
        areaM2: 640,
        plants: 1280,
        flowLh: 2560,
        uniformityPct: 92,
        startAfterSunriseMin: 90,
        endBeforeSunsetMin: 120,
        minGapMin: 15,
        waterHeldLPlant: 5,
        easilyAvailablePct: 45,
        pulseSharePct: 4,
      },
      unconfirmed: ["easilyAvailablePct", "minGapMin"],
    },
    plantings: [
      { cropId: "melon-netted", plantedDaysAgo: 155, clearedDaysAgo: 64 },
      { cropId: "melon-netted", plantedDaysAgo: 58, clearedDaysAgo: null },
    ],
    truth: {
      demandFactor: 1.06,
      // A filter that fills up: the last two days bring over a fifth less than the clock was set for.
      delivered: (daysAgo) => (daysAgo <= 1 ? 0.78 : daysAgo === 2 ? 0.85 : 1),
      feedEcMsCm: 2.3,
      // The doser loses its stroke, a little more every day.
      dosed: (daysAgo) => 1 - 0.03 * Math.max(0, 5 - daysAgo),
      drainPh: () => 6.3,
      uptakeEcMsCm: 1.95,
      shut: () => false,
    },
    harvest: { targetPerM2: 7, everyDays: 3, kgPerFruit: 1.25, share: () => 0.97 },
  },
  {
    waters: { Borehole: 100 },
    zone: {
      name: "Courgette tunnel",
      house: { name: "Tunnel 3", transmissionPct: 62 },
      definition: {
        system: "soil-drip",
        areaM2: 420,
        plants: 380,
        flowLh: 3800,
        uniformityPct: 88,
        startAfterSunriseMin: 0,
        endBeforeSunsetMin: 60,
        minGapMin: 0,
        availableMmM: 150,
        wettedPct: 60,
        refillPct: 98,
        triggerPct: 10,
        ecWaterMsCm: 0.7,
        mulchSavesPct: 0,
      },
      unconfirmed: ["wettedPct"],
    },
    plantings: [
      { cropId: "courgette", plantedDaysAgo: 188, clearedDaysAgo: 79 },
      { cropId: "courgette", plantedDaysAgo: 76, clearedDaysAgo: null },
    ],
    truth: {
      demandFactor: 1,
      delivered: () => 0.98,
      feedEcMsCm: 0.7,
      drainPh: () => 7,
      uptakeEcMsCm: 0.5,
      // The tunnel got too dry at fruit set.
      shut: (daysAgo) => daysAgo >= 30 && daysAgo <= 42,
    },
    // The flowers that set in the dry fortnight are missed in the first weeks of picking.
    harvest: {
      targetPerM2: 6,
      everyDays: 2,
      kgPerFruit: 0.24,
      share: (daysAgo) => (daysAgo < 27 && daysAgo > 12 ? 0.72 : 1.02),
    },
  },
  {
    waters: { "Roof basin": 100 },
    zone: {
      name: "Lettuce tanks",
      house: { name: "Glass A", transmissionPct: 68 },
      definition: {
        system: "solution-tank",
        areaM2: 180,
        plants: 2880,
        flowLh: 1800,
        uniformityPct: 100,
        startAfterSunriseMin: 240,
        endBeforeSunsetMin: 60,
        minGapMin: 15,
        fullLevelCm: 24,
        topUpAtCm: 23,
      },
      unconfirmed: ["topUpAtCm"],
    },
    plantings: [
      { cropId: "lettuce-butterhead", plantedDaysAgo: 130, clearedDaysAgo: 88 },
      { cropId: "lettuce-butterhead", plantedDaysAgo: 86, clearedDaysAgo: 43 },
      { cropId: "lettuce-butterhead", plantedDaysAgo: 37, clearedDaysAgo: null },
    ],
    truth: {
      ...STEADY,
      // The same water again and again: what the plants leave behind builds up, and the renewal of six weeks ago is used up.
      tank: (daysAgo) => ({ ecMsCm: 1.52 + 0.0065 * ((171 - daysAgo) % 44), ph: 5.9 + 0.25 * Math.sin(daysAgo / 5) }),
    },
    harvest: { targetPerM2: 15, everyDays: 6, kgPerFruit: 0.27, share: () => 1 },
  },
  {
    waters: { "Roof basin": 100 },
    zone: {
      name: "Cyclamen benches",
      house: { name: "Glass B", transmissionPct: 66 },
      definition: {
        system: "sub-irrigated-bench",
        areaM2: 240,
        plants: 3360,
        flowLh: 9000,
        uniformityPct: 100,
        startAfterSunriseMin: 60,
        endBeforeSunsetMin: 180,
        minGapMin: 30,
        waterHeldLPlant: 0.42,
        easilyAvailablePct: 55,
        floodAtPct: 55,
        floodDepthMm: 25,
      },
      unconfirmed: ["waterHeldLPlant"],
    },
    plantings: [{ cropId: "cyclamen", plantedDaysAgo: 110, clearedDaysAgo: null }],
    truth: STEADY,
    harvest: { targetPerM2: 13, everyDays: 7, kgPerFruit: 0.5, share: () => 1 },
  },
  {
    waters: { "Roof basin": 100 },
    zone: {
      name: "Blueberry pots",
      house: { name: "Net yard", transmissionPct: 82 },
      definition: {
        system: "substrate",
        areaM2: 900,
        plants: 300,
        flowLh: 1200,
        uniformityPct: 90,
        startAfterSunriseMin: 90,
        endBeforeSunsetMin: 120,
        minGapMin: 30,
        waterHeldLPlant: 18,
        easilyAvailablePct: 40,
        pulseSharePct: 5,
      },
      unconfirmed: ["easilyAvailablePct"],
    },
    plantings: [{ cropId: "blueberry", plantedDaysAgo: 262, clearedDaysAgo: null }],
    truth: {
      ...STEADY,
      feedEcMsCm: 1.2,
      uptakeEcMsCm: 0.95,
      // The acid pump gives less and less of its setting.
      drainPh: (daysAgo) => (daysAgo < 20 ? 6.4 - 0.07 * daysAgo : 5),
    },
    harvest: { targetPerM2: 1.4, everyDays: 5, kgPerFruit: 0.0018, share: () => 1 },
  },
  {
    waters: { Borehole: 100 },
    zone: {
      name: "Fennel field",
      house: { name: "Low field", transmissionPct: 100 },
      definition: {
        system: "buried-drip",
        areaM2: 6000,
        plants: 48000,
        flowLh: 12000,
        uniformityPct: 88,
        startAfterSunriseMin: 0,
        endBeforeSunsetMin: 60,
        minGapMin: 0,
        availableMmM: 170,
        wettedPct: 70,
        refillPct: 95,
        triggerPct: 20,
        ecWaterMsCm: 0.7,
        mulchSavesPct: 0,
        lineDepthCm: 22,
        daysAWeek: 5,
      },
      unconfirmed: ["wettedPct"],
    },
    plantings: [{ cropId: "fennel", plantedDaysAgo: 75, clearedDaysAgo: null }],
    truth: STEADY,
    harvest: { targetPerM2: 3.2, everyDays: 4, kgPerFruit: 0.32, share: () => 1 },
  },
  {
    waters: { Borehole: 100 },
    zone: {
      name: "Water spinach basin",
      house: { name: "Low field", transmissionPct: 100 },
      definition: {
        system: "basin",
        areaM2: 800,
        plants: 16000,
        flowLh: 14000,
        uniformityPct: 100,
        startAfterSunriseMin: 0,
        endBeforeSunsetMin: 60,
        minGapMin: 0,
        floodDepthMm: 40,
        bundCm: 25,
        refloodAtCm: 15,
        percolationMmDay: 3,
        drainablePct: 12,
      },
      unconfirmed: ["percolationMmDay", "drainablePct"],
    },
    plantings: [{ cropId: "water-spinach", plantedDaysAgo: 72, clearedDaysAgo: null }],
    truth: STEADY,
    harvest: { targetPerM2: 3, everyDays: 21, kgPerFruit: 0.09, share: () => 0.95 },
  },
];

export function plantingsOf(zone: DemoZone, today: string): NewZone["plantings"] {
  return zone.plantings.map(({ cropId, plantedDaysAgo, clearedDaysAgo }) => ({
    cropId,
    plantedOn: addDays(today, -plantedDaysAgo),
    clearedOn: clearedDaysAgo === null ? null : addDays(today, -clearedDaysAgo),
    signs: [],
    targetPerM2: zone.harvest.targetPerM2,
  }));
}

/** Doses of digestate by the zone's name, days ago; the fresh water flushed the lines. */
export const doses: Readonly<
  Record<string, readonly { readonly source: string; readonly daysAgo: number; readonly litres: number }[]>
> = {
  "Fennel field": [
    { source: "Separated digestate", daysAgo: 64, litres: 3200 },
    { source: "Separated digestate", daysAgo: 55, litres: 3100 },
  ],
};
