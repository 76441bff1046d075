import { freshPlanting, type NewZone } from "@sprunel/contract/site";
import type { Part, Raising } from "@sprunel/core/crop";
import { addDays } from "@sprunel/core/time";

/** What is told of a zone: how it was set up, and what is true of it as against that. Days are counted back from the first day shown. */

export const SEED = 20;
export const HISTORY_DAYS = 90;
/** A Tuesday on which all of it is in season. */
export const FIRST_DATE = "2026-06-16";
/** 06:10 at Quillbrook. */
export const FIRST_MS = Date.parse("2026-06-16T04:10:00Z");

/** Days of low cloud from the sea before the first one shown: too dull for melons. */
export const DULL = { fromMs: FIRST_MS - 6 * 86_400_000, toMs: FIRST_MS - 12 * 3_600_000, cloudier: 1.5 };

/** The date so many days before the first one shown. */
export function ago(days: number): string {
  return addDays(FIRST_DATE, -days);
}

/** What is true of a zone and its plants, as against what the grower typed into the set-up. */
export interface Truth {
  /** real demand over the modelled one */
  readonly demandFactor: number;
  /** share of the planned litres that reach the plants */
  delivered(daysAgo: number): number;
  /** share of the concentrates that the doser really gives */
  dosed(daysAgo: number): number;
  /** pH of the drain */
  drainPh(daysAgo: number): number;
  /** EC of what roots take up, over that of the feed */
  readonly uptakeShare: number;
  /** whether the valve was left shut */
  shut(daysAgo: number): boolean;
  /** EC of a solution that goes round, over that of its feed, mS/cm */
  builtUpMsCm(daysAgo: number): number;
}

interface DemoPlanting {
  readonly cropId: string;
  readonly plantedDaysAgo: number;
  readonly clearedDaysAgo: number | null;
  /** stages that were seen to begin; of a perennial in each of its years */
  readonly seen?: Readonly<Record<string, number | readonly number[]>>;
  /** its rows of the zone's, where others stand beside it */
  readonly part?: Part;
  readonly ageYears?: number;
  /** moved apart to so many on a m² */
  readonly spaced?: readonly { readonly daysAgo: number; readonly plantsPerM2: number }[];
  /** cloth drawn every night since then, by the clock */
  readonly cloth?: { readonly daysAgo: number; readonly start: string; readonly end: string };
  /** how its plants come to be, where they are raised here */
  readonly raising?: Raising;
  /** evenings on which it was forgotten */
  readonly missedDaysAgo?: readonly number[];
}

/** What comes off while a crop is picked. */
interface DemoHarvest {
  /** kg or pieces, as the crop is sold */
  readonly targetPerM2: number;
  readonly everyDays: number;
  /** left out where nobody counts */
  readonly kgPerFruit?: number;
  /** share of the target's path that is really picked */
  share(daysAgo: number): number;
}

export interface DemoZone {
  readonly zone: Omit<NewZone, "plantings" | "waters" | "layout" | "demand">;
  /** % of each source, by its name */
  readonly waters: Readonly<Record<string, number>>;
  /** in order of time: what stood, what stands, and what may come after it */
  readonly plantings: readonly DemoPlanting[];
  readonly truth: Truth;
  readonly harvest: DemoHarvest;
  /** L of each of its two concentrates; null where no recipe is mixed for it */
  readonly tankL: number | null;
}

/** A zone in which what is planned comes true. */
export const STEADY: Truth = {
  demandFactor: 1,
  delivered: () => 0.99,
  dosed: () => 1,
  drainPh: () => 6,
  uptakeShare: 0.82,
  shut: () => false,
  builtUpMsCm: () => 0,
};

export function plantingsOf({ plantings, harvest }: DemoZone): NewZone["plantings"] {
  return plantings.map(
    ({
      cropId,
      plantedDaysAgo,
      clearedDaysAgo,
      seen = {},
      cloth,
      missedDaysAgo = [],
      raising = null,
      part = null,
      ageYears = 0,
      spaced = [],
    }) =>
      freshPlanting(cropId, ago(plantedDaysAgo), {
        part,
        ageYears,
        steps: spaced.map(({ daysAgo, plantsPerM2 }) => ({ kind: "spaced", on: ago(daysAgo), plantsPerM2 })),
        clearedOn: clearedDaysAgo === null ? null : ago(clearedDaysAgo),
        signs: Object.entries(seen).flatMap(([stageId, times]) =>
          [times].flat().map((daysAgo) => ({ stageId, on: ago(daysAgo) })),
        ),
        targetPerM2: harvest.targetPerM2,
        nights: cloth
          ? [
              {
                kind: "cloth",
                fromOn: ago(cloth.daysAgo),
                untilOn: null,
                start: cloth.start,
                end: cloth.end,
                wattsM2: null,
              },
            ]
          : [],
        missedNights: missedDaysAgo.map(ago),
        raising,
      }),
  );
}
