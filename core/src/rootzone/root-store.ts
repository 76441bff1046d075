import type { Crop } from "../crop/crop.ts";
import type { CropState } from "../crop/stage-on.ts";
import type { BasinZone, BenchZone, StoreZone } from "../site/zone.ts";
import { depletionFractionAt, type StoreLimits } from "./water-store.ts";

/** A zone's root zone as one store of water, with the marks at which it is filled. */
export interface RootStore {
  readonly limits: StoreLimits;
  /** depletion at which water is given, mm */
  readonly triggerMm: number;
  /** depletion that is left after watering, mm */
  readonly leaveMm: number;
  /** mm that seep away in a day */
  readonly seepMm: number;
}

/** Soil holds about twice as much at field capacity as plants can take from it: FAO-56, table 19, loams. Matters for salt only. */
const FIELD_CAPACITY_TO_AVAILABLE = 2;
/** Roots in solution take what they want until the tank is nearly empty. */
const TANK_EASY_SHARE = 0.9;
/** Rain is kept up to so far under the crest of a bund; usual practice is 5 to 10 cm. */
const FREEBOARD_MM = 50;
/** Rooted depth of a flooded crop, m; 0.5 to 1.0 for rice in FAO-56, table 22. */
const BASIN_ROOT_DEPTH_M = 0.5;

/**
 * The store that a zone's roots live in on a day.
 *
 * @param demandMm of the day; the easy share of soil falls with it (FAO-56, table 22, note 2)
 */
export function rootStore(zone: StoreZone, crop: Crop, cropState: CropState, demandMm: number): RootStore {
  switch (zone.system) {
    case "soil-drip":
    case "buried-drip": {
      const availableMm = (zone.availableMmM * cropState.rootDepthM * zone.wettedPct) / 100;
      const depletionFraction = depletionFractionAt(crop.depletionFraction.value, demandMm);
      const withoutStress = Math.min(0.9, depletionFraction + cropState.period.stage.drierPct / 100);
      return {
        limits: { availableMm, fullMm: availableMm * FIELD_CAPACITY_TO_AVAILABLE, depletionFraction },
        triggerMm: Math.min(zone.triggerPct / 100, withoutStress) * availableMm,
        leaveMm: (1 - zone.refillPct / 100) * availableMm,
        seepMm: 0,
      };
    }
    case "solution-tank": {
      const fullMm = zone.fullLevelCm * 10;
      return {
        limits: { availableMm: fullMm, fullMm, depletionFraction: TANK_EASY_SHARE },
        triggerMm: (zone.fullLevelCm - zone.topUpAtCm) * 10,
        leaveMm: 0,
        seepMm: 0,
      };
    }
    case "sub-irrigated-bench": {
      const heldMm = benchHeldMm(zone);
      return {
        limits: { availableMm: heldMm, fullMm: heldMm, depletionFraction: zone.easilyAvailablePct / 100 },
        triggerMm: (1 - zone.floodAtPct / 100) * heldMm,
        leaveMm: 0,
        seepMm: 0,
      };
    }
    case "basin": {
      const availableMm = zone.floodDepthMm + BASIN_ROOT_DEPTH_M * 1000 * (zone.drainablePct / 100);
      return {
        limits: {
          availableMm,
          fullMm: availableMm,
          overMarkMm: Math.max(0, zone.bundCm * 10 - FREEBOARD_MM - zone.floodDepthMm),
          depletionFraction: depletionFractionAt(crop.depletionFraction.value, demandMm),
        },
        triggerMm: zone.floodDepthMm + zone.refloodAtCm * zone.drainablePct * 0.1,
        leaveMm: 0,
        seepMm: zone.percolationMmDay,
      };
    }
  }
}

/** Water that all pots hold, over the bench's area, mm. */
function benchHeldMm({ waterHeldLPlant, plants, areaM2 }: BenchZone): number {
  return (waterHeldLPlant * plants) / areaM2;
}

/**
 * Where the water of a basin stands, from what is missing to the flood's mark.
 *
 * @returns cm above the soil, or below it (negative) as the tube shows
 */
function basinLevelCm({ floodDepthMm, drainablePct }: BasinZone, depletionMm: number): number {
  const pondMm = floodDepthMm - depletionMm;
  return pondMm >= 0 ? pondMm / 10 : (pondMm / 10) * (100 / drainablePct);
}

/** The other way round: what is missing when the tube or the ruler shows so much. */
function basinDepletionMm({ floodDepthMm, drainablePct }: BasinZone, levelCm: number): number {
  return floodDepthMm - (levelCm >= 0 ? levelCm * 10 : (levelCm * 10 * drainablePct) / 100);
}

/** Where the surface stands in a tank or basin when so much is missing, cm; null for a root zone without one. */
export function levelOfCm(zone: StoreZone, depletionMm: number): number | null {
  if (zone.system === "solution-tank") return zone.fullLevelCm - depletionMm / 10;
  if (zone.system === "basin") return basinLevelCm(zone, depletionMm);
  return null;
}

/** What is missing when the surface was read to stand there; null for a root zone without one. */
export function depletionAtLevelMm(zone: StoreZone, levelCm: number): number | null {
  if (zone.system === "solution-tank") return Math.max(0, (zone.fullLevelCm - levelCm) * 10);
  if (zone.system === "basin") return Math.max(0, basinDepletionMm(zone, levelCm));
  return null;
}
