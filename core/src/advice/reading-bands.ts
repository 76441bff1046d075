import { DOSING_WATCH, SALT_WATCH } from "./judge.ts";

export interface Band {
  readonly from: number;
  readonly to: number;
}

/** What a zone is to drink now. */
interface Fed {
  readonly ecMsCm: number;
  readonly ph: number;
}

/** Points of pH: two pens of good order differ by so much; a solution that goes round is let swing further. Assumed. */
const DRIP_PH = 0.3;
const TANK_PH = 0.5;
/** Roots move the drain's pH against the feed's, up as they take nitrate. Usual practice; assumed. */
const DRAIN_PH = { below: 0.6, above: 1 };
/** A solution that goes round is topped up when weaker, renewed when stronger. Assumed. */
const TANK_EC = { least: 0.85, most: 1.25 };
/** kPa at roots of vegetables under drip on a medium soil: field capacity to the usual trigger. Usual practice; assumed. */
const TENSION: Band = { from: 8, to: 30 };

/**
 * Where readings of a zone may lie, by kind, as its feed has it: the same limits by which a reading is judged. What is read of
 * plain water has no band of EC.
 *
 * @returns EC in mS/cm, pH, tension in kPa
 */
export function readingBands(fed: Fed | null): Readonly<Record<string, Band>> {
  if (!fed) return { tensionKpa: TENSION };
  const { ecMsCm, ph } = fed;
  const drip = { from: ecMsCm * (1 - DOSING_WATCH), to: ecMsCm * (1 + DOSING_WATCH) };
  return {
    feedEcMsCm: drip,
    dripEcMsCm: drip,
    drainEcMsCm: { from: ecMsCm, to: ecMsCm * SALT_WATCH },
    tankEcMsCm: { from: ecMsCm * TANK_EC.least, to: ecMsCm * TANK_EC.most },
    dripPh: { from: ph - DRIP_PH, to: ph + DRIP_PH },
    tankPh: { from: ph - TANK_PH, to: ph + TANK_PH },
    drainPh: { from: ph - DRAIN_PH.below, to: ph + DRAIN_PH.above },
    tensionKpa: TENSION,
  };
}
