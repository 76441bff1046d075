import { NOTHING_DRIPS, VESSEL_STARTS } from "../site/layout-starts.ts";
import { isLeafless } from "../crop/stage-on.ts";
import { NO_CORRECTION } from "../irrigation/zone-water-input.ts";
import { zoneWater } from "../irrigation/zone-water.ts";
import type { SubstrateZone } from "../site/zone.ts";
import { POT_FIELDS } from "./common-fields.ts";
import type { GrowingSystem } from "./growing-system.ts";
import { refill } from "./refill.ts";
import { heldLPlantAt, heldMm, missingWhereHeld, mouthShare } from "./pots.ts";

/** Share of the easily available water that is gone when bare plants are watered. Usual practice; assumed. */
const BY_WEIGHT = 0.5;
/** The same where plants are only kept alive. Assumed. */
const KEPT_ALIVE = 0.8;

/** Bags, slabs or pots with drippers; what is over runs out below. */
export const substrate: GrowingSystem<SubstrateZone> = {
  id: "substrate",
  fields: [
    ...POT_FIELDS,
    {
      key: "pulseSharePct",
      name: "Share of a pulse",
      unit: "%",
      least: 1,
      most: 30,
      start: { value: 4, source: "wool and coir, 3 to 6 %" },
    },
  ],
  store(zone, { depletionFraction }) {
    const fullMm = heldMm(zone);
    const availableMm = (fullMm * zone.easilyAvailablePct) / 100;
    return {
      fullMm,
      availableMm,
      easyMm: availableMm * (depletionFraction ?? 1),
      overMm: 0,
      drainShareH: 1,
      seepMmH: 0,
      efficientShare: zone.uniformityPct / 100,
      returns: false,
    };
  },
  // Watered by pulses, each so much of what it holds.
  marks: (zone, { fullMm }) => ({ triggerMm: (fullMm * zone.pulseSharePct) / 100, leaveMm: 0 }),
  seen: (zone, missingMm) => ({ heldLPlant: heldLPlantAt(zone, missingMm) }),
  missingMm: (zone, { heldLPlant }) => missingWhereHeld(zone, heldLPlant),
  layout: {
    ...NOTHING_DRIPS,
    widthM: 1.6,
    rows: 1,
    inRowM: 0.3,
    drippersPerPlant: 1,
    dripperLh: 2,
    vessel: VESSEL_STARTS.bag,
  },
  drains: true,
  dripped: true,
  openShare: mouthShare,
  demand: "canopy",
  policy(asked, sheet) {
    const { zone, date, cropState, demandMm, demandCurve, window, correction, store } = asked;
    const isKeptAlive = cropState.aim === "keep-alive";
    if (isKeptAlive || isLeafless(cropState))
      return refill(
        { ...asked, marks: { triggerMm: (isKeptAlive ? KEPT_ALIVE : BY_WEIGHT) * store.availableMm, leaveMm: 0 } },
        {
          lossShare: 1 - zone.uniformityPct / 100,
          leachingPct: 0,
          overWords: "is lost to unevenness",
          source: isKeptAlive
            ? "plants that are only kept alive, by the weight of their pots; assumed"
            : "plants without leaves, by the weight of their pots; usual practice, assumed",
        },
        sheet,
      );
    return zoneWater(
      {
        ...zone,
        date,
        zoneFlowLh: zone.flowLh,
        window,
        demandMm,
        demandCurve,
        substrate: {
          waterHeldLPlant: zone.waterHeldLPlant,
          pulseSharePct: zone.pulseSharePct,
          drainTargetPct: cropState.period.stage.drainTargetPct,
          correction: correction ?? NO_CORRECTION,
        },
      },
      sheet,
    );
  },
};
