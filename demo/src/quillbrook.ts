import type { NewSite, NewWaterReport, NewZone } from "@sprunel/contract";
import { addDays } from "@sprunel/core";
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
};

export const houses: Readonly<Record<string, SimulatedHouse>> = {
  "Glass A": { transmissionPct: 68, heatedToC: 17, ventedFromC: 27 },
  "Tunnel 3": { transmissionPct: 62, heatedToC: -40, ventedFromC: 29 },
};

/** The borehole, rich in bicarbonate; it balances to 0.02 meq/L. */
export const borehole: Omit<NewWaterReport, "takenOn"> = {
  sourceName: "Borehole",
  ions: { Ca: 1.9, Mg: 0.55, Na: 1.0, K: 0.08, NO3: 0.1, Cl: 0.9, SO4: 0.3, HCO3: 4.4 },
  ph: 7.4,
  ecMsCm: 0.58,
};

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
export interface Truth {
  /** real demand over the modelled one */
  readonly demandFactor: number;
  /** share of the planned litres that reach the plants, by days before the first day shown */
  delivered(daysAgo: number): number;
  readonly feedEcMsCm: number;
  readonly drainPh: number;
  /** EC of what roots take up */
  readonly uptakeEcMsCm: number;
  /** days ago on which the valve was left shut */
  shut(daysAgo: number): boolean;
}

export interface DemoZone {
  readonly zone: Omit<NewZone, "planting">;
  readonly cropId: string;
  /** days before the first day shown */
  readonly plantedDaysAgo: number;
  readonly truth: Truth;
}

export const zones: readonly DemoZone[] = [
  {
    zone: {
      name: "Melon, north span",
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
    cropId: "melon-netted",
    plantedDaysAgo: 58,
    truth: {
      demandFactor: 1.06,
      // A filter that fills up: the last two days bring over a fifth less than the clock was set for.
      delivered: (daysAgo) => (daysAgo <= 1 ? 0.78 : daysAgo === 2 ? 0.85 : 1),
      feedEcMsCm: 2.3,
      drainPh: 6.3,
      uptakeEcMsCm: 1.95,
      shut: () => false,
    },
  },
  {
    zone: {
      name: "Courgette",
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
      },
      unconfirmed: ["wettedPct"],
    },
    cropId: "courgette",
    plantedDaysAgo: 76,
    truth: {
      demandFactor: 1,
      delivered: () => 0.98,
      feedEcMsCm: 0.7,
      drainPh: 7,
      uptakeEcMsCm: 0.5,
      // The tunnel got too dry at fruit set.
      shut: (daysAgo) => daysAgo >= 30 && daysAgo <= 42,
    },
  },
];

export function plantingOf(zone: DemoZone, today: string): NonNullable<NewZone["planting"]> {
  return { cropId: zone.cropId, plantedOn: addDays(today, -zone.plantedDaysAgo), signs: [] };
}
