import { NOTHING_DRIPS } from "../site/layout-starts.ts";
import type { BasinZone } from "../site/zone.ts";
import type { GrowingSystem } from "./growing-system.ts";
import { refill } from "./refill.ts";

/** Rain is kept up to so far under the crest of a bund; usual practice is 5 to 10 cm. */
const FREEBOARD_MM = 50;
/** Rooted depth of a flooded crop, m; 0.5 to 1.0 for rice in FAO-56, table 22. */
const ROOT_DEPTH_M = 0.5;

/** mm of water that a cm of soil gives up while it drains */
const drainableMmCm = ({ drainablePct }: BasinZone): number => drainablePct * 0.1;
/** mm missing when the water in the tube stands at the mark of the next flood */
const safeMm = (zone: BasinZone): number => zone.floodDepthMm + zone.refloodAtCm * drainableMmCm(zone);

/** Levelled ground inside bunds, flooded and let dry in turn. */
export const basin: GrowingSystem<BasinZone> = {
  id: "basin",
  fields: [
    {
      key: "floodDepthMm",
      name: "Depth of a flood",
      unit: "mm",
      least: 5,
      most: 300,
      start: { value: 40, source: "shallow flood, 30 to 50 mm" },
    },
    {
      key: "bundCm",
      name: "Height of the bund",
      unit: "cm",
      least: 5,
      most: 150,
      start: { value: 20, source: "usual practice, 15 to 30 cm; 5 cm stay free, rain is kept under them" },
    },
    {
      key: "refloodAtCm",
      name: "Water in the tube at the next flood",
      unit: "cm below the soil",
      least: 1,
      most: 60,
      start: { value: 15, source: "safe limit of wetting and drying in turn" },
    },
    {
      key: "percolationMmDay",
      name: "Percolation",
      unit: "mm in the day",
      least: 0,
      most: 100,
      start: { value: 4, source: "puddled clay loam, 2 to 6 mm a day; measure it overnight" },
    },
    {
      key: "drainablePct",
      name: "Drainable share of the soil",
      unit: "%",
      least: 1,
      most: 40,
      start: { value: 10, source: "clay loam, 5 to 15 %" },
    },
  ],
  store(zone, { depletionFraction }) {
    const fullMm = zone.floodDepthMm + ROOT_DEPTH_M * 100 * drainableMmCm(zone);
    return {
      fullMm,
      availableMm: fullMm,
      // Uptake is full down to the safe mark, proven for rice and assumed for other crops: FAO-56 counts p of rice from saturation.
      easyMm: Math.min(fullMm, Math.max(safeMm(zone), fullMm * (depletionFraction ?? 0))),
      overMm: Math.max(0, zone.bundCm * 10 - FREEBOARD_MM - zone.floodDepthMm),
      drainShareH: 0,
      seepMmH: zone.percolationMmDay / 24,
      efficientShare: 1,
      returns: false,
    };
  },
  marks(zone, { availableMm }, { pond }) {
    switch (pond?.kind) {
      case "pond": {
        const keptMm = Math.min(pond.cm * 10, zone.floodDepthMm);
        return { triggerMm: zone.floodDepthMm - keptMm / 2, leaveMm: zone.floodDepthMm - keptMm };
      }
      case "drain":
        return { triggerMm: availableMm, leaveMm: 0 };
      default:
        return { triggerMm: safeMm(zone), leaveMm: 0 };
    }
  },
  seen(zone, missingMm) {
    const pondMm = zone.floodDepthMm - missingMm;
    return { levelCm: pondMm >= 0 ? pondMm / 10 : pondMm / drainableMmCm(zone) };
  },
  missingMm: (zone, { levelCm }) =>
    levelCm === undefined ? null : zone.floodDepthMm - (levelCm >= 0 ? levelCm * 10 : levelCm * drainableMmCm(zone)),
  layout: { ...NOTHING_DRIPS, widthM: 12, rows: 48, inRowM: 0.2, offset: true },
  demand: "reference",
  policy: (asked, sheet) =>
    refill(
      asked,
      { lossShare: 0, leachingPct: 0, overWords: "nothing is lost on the way", source: "level kept by hand or float" },
      sheet,
    ),
};
