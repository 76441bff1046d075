import { NOTHING_DRIPS, VESSEL_STARTS } from "../site/layout-starts.ts";
import type { SolutionTankZone } from "../site/zone.ts";
import type { GrowingSystem } from "./growing-system.ts";
import { refill } from "./refill.ts";

/** Roots in solution take what they want until the tank is nearly empty. Assumed. */
const EASY_SHARE = 0.9;

/** Float tanks, deep water or troughs whose level is kept. */
export const solutionTank: GrowingSystem<SolutionTankZone> = {
  id: "solution-tank",
  fields: [
    {
      key: "fullLevelCm",
      name: "Level when full",
      unit: "cm",
      least: 0.1,
      most: 200,
      start: { value: 25, source: "float tanks, 20 to 30 cm" },
    },
    {
      key: "topUpAtCm",
      name: "Level at which it is topped up",
      unit: "cm",
      least: 0.05,
      most: 200,
      start: { value: 23, source: "so that roots in the moist air above never reach dry" },
    },
  ],
  store({ fullLevelCm }, { depletionFraction }) {
    const fullMm = fullLevelCm * 10;
    return {
      fullMm,
      availableMm: fullMm,
      easyMm: fullMm * (depletionFraction ?? EASY_SHARE),
      overMm: 0,
      drainShareH: 0,
      seepMmH: 0,
      efficientShare: 1,
      returns: false,
    };
  },
  marks: ({ fullLevelCm, topUpAtCm }) => ({ triggerMm: (fullLevelCm - topUpAtCm) * 10, leaveMm: 0 }),
  seen: ({ fullLevelCm }, missingMm) => ({ levelCm: fullLevelCm - missingMm / 10 }),
  missingMm: ({ fullLevelCm }, { levelCm }) =>
    levelCm === undefined ? null : Math.max(0, (fullLevelCm - levelCm) * 10),
  layout: { ...NOTHING_DRIPS, widthM: 1.25, rows: 5, inRowM: 0.25, vessel: VESSEL_STARTS.float },
  inSolution: true,
  demand: "canopy",
  policy: (asked, sheet) =>
    refill(
      asked,
      { lossShare: 0, leachingPct: 0, overWords: "nothing is lost on the way", source: "level kept by hand or float" },
      sheet,
    ),
};
