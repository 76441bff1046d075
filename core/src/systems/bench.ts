import { NOTHING_DRIPS, VESSEL_STARTS } from "../site/layout-starts.ts";
import type { BenchZone } from "../site/zone.ts";
import { POT_FIELDS } from "./common-fields.ts";
import type { GrowingSystem } from "./growing-system.ts";
import { refill } from "./refill.ts";
import { heldLPlantAt, heldMm, missingWhereHeld, mouthShare } from "./pots.ts";

/** Pots are never let dry beyond it. Usual practice; assumed. */
const DRIEST_SHARE = 0.9;

/** Pots on tables or mats that are flooded from below and take what they lack; the rest runs back. */
export const bench: GrowingSystem<BenchZone> = {
  id: "sub-irrigated-bench",
  fields: [
    ...POT_FIELDS,
    {
      key: "floodAtPct",
      name: "Water left when the bench is flooded",
      unit: "%",
      least: 10,
      most: 98,
      start: { value: 60, source: "usual practice by pot weight, 50 to 70 %" },
    },
    {
      key: "floodDepthMm",
      name: "Depth of a flood",
      unit: "mm",
      least: 3,
      most: 150,
      start: { value: 25, source: "ebb-and-flood benches, 20 to 30 mm" },
    },
  ],
  store(zone, { depletionFraction }) {
    const fullMm = heldMm(zone);
    return {
      fullMm,
      availableMm: fullMm,
      easyMm: fullMm * (depletionFraction ?? zone.easilyAvailablePct / 100),
      overMm: 0,
      drainShareH: 1,
      seepMmH: 0,
      efficientShare: 1,
      returns: true,
    };
  },
  marks: (zone, { fullMm }, { drierPct }) => ({
    triggerMm: Math.min(1 - zone.floodAtPct / 100 + drierPct / 100, DRIEST_SHARE) * fullMm,
    leaveMm: 0,
  }),
  seen: (zone, missingMm) => ({ heldLPlant: heldLPlantAt(zone, missingMm) }),
  missingMm: (zone, { heldLPlant }) => missingWhereHeld(zone, heldLPlant),
  layout: { ...NOTHING_DRIPS, widthM: 1.6, rows: 8, inRowM: 0.2, vessel: VESSEL_STARTS.table },
  returns: true,
  openShare: mouthShare,
  demand: "canopy",
  policy: (asked, sheet) =>
    refill(
      asked,
      {
        lossShare: 0,
        leachingPct: 0,
        floodMm: asked.zone.floodDepthMm,
        overWords: "runs back to the tank",
        source: "bench and its return",
      },
      sheet,
    ),
};
