import type { Store } from "../rootzone/store.ts";
import type { BuriedDripZone, SoilDripZone } from "../site/zone.ts";
import { soilLosses } from "../irrigation/zone-water.ts";
import type { ZoneWater } from "../irrigation/deliver.ts";
import type { Worksheet } from "../working/working.ts";
import type { Asked } from "./asked.ts";
import type { Field, Marks, Roots } from "./growing-system.ts";
import { refill } from "./refill.ts";

type DrippedSoilZone = SoilDripZone | BuriedDripZone;

export const DRIPPED_SOIL_FIELDS: readonly Field[] = [
  {
    key: "availableMmM",
    name: "Available water in 1 m of soil",
    unit: "mm",
    least: 20,
    most: 300,
    start: { value: 140, source: "loam, FAO-56 table 19" },
  },
  {
    key: "wettedPct",
    name: "Wetted share of the ground",
    unit: "%",
    least: 5,
    most: 100,
    start: { value: 50, source: "drip on a medium soil, 40 to 60 %" },
  },
  {
    key: "triggerPct",
    name: "Trigger",
    unit: "%",
    least: 2,
    most: 80,
    start: { value: 30, source: "of the available water; never past FAO-56 p" },
  },
  {
    key: "refillPct",
    name: "Refill",
    unit: "%",
    least: 50,
    most: 100,
    start: { value: 95, source: "leaves room for a late shower or a wrong meter" },
  },
  {
    key: "ecWaterMsCm",
    name: "EC of the water",
    unit: "mS/cm",
    least: 0,
    most: 10,
    start: { value: 0.6, source: "read it with a pen" },
  },
  {
    key: "mulchSavesPct",
    name: "What a mulch saves",
    unit: "%",
    least: 0,
    most: 40,
    start: { value: 0, source: "bare soil; plastic film 10 to 30 %, straw about 5 %, FAO-56 chapter 10" },
  },
];

/** Soil holds about twice as much at field capacity as plants can take from it: FAO-56, table 19, loams. */
const FIELD_CAPACITY_TO_AVAILABLE = 2;
/** Pores that are full after heavy rain hold about as much again as plants can take: saturation of loams, FAO-56 table 19 and Rawls (1982). Assumed. */
const OVER_TO_AVAILABLE = 1;
/** What stands over field capacity is gone after about a day: 95 % within 24 h. FAO-56, chapter 8 (field capacity); assumed for loams. */
const DRAIN_HOURS = 8;
/** Drying on purpose ends well before wilting. Usual practice. */
const DRIEST_SHARE = 0.9;

/** Roots that are far from their dripper still reach so much of what it wets. Assumed. */
const LEAST_REACHED = 0.2;

/**
 * Share of the wetted soil that roots reach with drippers set away from the stem, against drippers at it: the ground that the
 * disc of roots and the wetted disc have in common. Roots are taken to spread as wide as they go deep (assumed).
 */
export function reachedShare(
  zone: Pick<DrippedSoilZone, "areaM2" | "plants" | "wettedPct">,
  depthM: number,
  fromStemCm: number,
): number {
  const wetRadiusM = Math.sqrt((zone.areaM2 * zone.wettedPct) / 100 / zone.plants / Math.PI);
  return Math.max(
    LEAST_REACHED,
    discsInCommonM2(depthM, wetRadiusM, fromStemCm / 100) / discsInCommonM2(depthM, wetRadiusM, 0),
  );
}

/** Area that two discs have in common, so far between their middles. */
function discsInCommonM2(one: number, other: number, apart: number): number {
  const [large, small] = one > other ? [one, other] : [other, one];
  if (apart >= large + small) return 0;
  if (apart <= large - small) return Math.PI * small ** 2;
  const atSmall = (apart ** 2 + small ** 2 - large ** 2) / (2 * apart);
  const atLarge = apart - atSmall;
  const segment = (radius: number, distance: number): number =>
    radius ** 2 * Math.acos(distance / radius) - distance * Math.sqrt(radius ** 2 - distance ** 2);
  return segment(small, atSmall) + segment(large, atLarge);
}

export function soilStore(zone: DrippedSoilZone, { depthM, depletionFraction, fromStemCm }: Roots): Store {
  const reached = fromStemCm ? reachedShare(zone, depthM, fromStemCm) : 1;
  const availableMm = (zone.availableMmM * depthM * zone.wettedPct * reached) / 100;
  return {
    fullMm: availableMm * FIELD_CAPACITY_TO_AVAILABLE,
    availableMm,
    easyMm: availableMm * (depletionFraction ?? 1),
    overMm: availableMm * OVER_TO_AVAILABLE,
    drainShareH: 1 - Math.exp(-1 / DRAIN_HOURS),
    seepMmH: 0,
    efficientShare: zone.uniformityPct / 100,
    returns: false,
  };
}

/** Watered at the share chosen, never past what the crop stands without stress, and later by what the stage is to be drier. */
export function soilMarks(zone: DrippedSoilZone, { availableMm, easyMm }: Store, { drierPct }: Roots): Marks {
  const wished = Math.min((zone.triggerPct / 100) * availableMm, easyMm) + (drierPct / 100) * availableMm;
  return {
    triggerMm: Math.min(wished, DRIEST_SHARE * availableMm),
    leaveMm: (1 - zone.refillPct / 100) * availableMm,
  };
}

/** Filled to its mark, with what unevenness and leaching take. */
export function refillSoil(asked: Asked<DrippedSoilZone>, sheet: Worksheet): ZoneWater {
  const { zone, crop } = asked;
  const salts = { ecWaterMsCm: zone.ecWaterMsCm, ecZeroYieldMsCm: crop.ecZeroYieldMsCm.value };
  const { lossShare, leaching } = soilLosses(salts, zone.uniformityPct / 100, sheet);
  return refill(
    asked,
    {
      lossShare,
      leachingPct: leaching * 100,
      overWords: "unevenness and leaching",
      source: "Keller & Bliesner (1990), chapter 20",
    },
    sheet,
  );
}
