import { fill, showNumber, type Worksheet } from "../working/working.ts";
import type { SubstrateNeeds, Yesterday } from "./zone-water-input.ts";

/** One day's correction stays inside these; our own caution, so that one bad reading cannot upset a crop. */
const LEAST_FACTOR = 0.8;
const MOST_FACTOR = 1.25;
/** Drain EC that is still tolerated, as a multiple of the feed's: near 4.0 against 2.6 mS/cm for tomato in Sonneveld & Voogt (2009), table 13. */
const DRAIN_EC_LIMIT_RATIO = 1.5;
const MOST_DRAIN_SHARE = 0.5;

interface SubstrateCorrection {
  /** times the demand of the day */
  readonly factor: number;
  /** share of what is given that is to run out today, 0 to 1 */
  readonly drainShare: number;
}

/**
 * What yesterday's drain says about today: one cause, one cure.
 *
 * A drain share off its target tells how far the demand was misjudged. The drain's EC is then foreseen *at the restored
 * share* by the salt balance; only if it would still be beyond 1.5 times the feed's is the share itself raised.
 *
 * @see the salt balance of a draining substrate: feed EC = drain share · drain EC + (1 − drain share) · uptake EC
 */
export function substrateCorrection(
  { drainTargetPct, yesterday }: SubstrateNeeds,
  sheet: Worksheet,
): SubstrateCorrection {
  const target = drainTargetPct / 100;
  if (!yesterday) return { factor: 1, drainShare: target };
  const share = yesterday.drainPct / 100;
  const factor = shareFactor(share, target, sheet);
  return { factor, drainShare: share > 0 ? shareAgainstSalt(target, share, yesterday, sheet) : target };
}

/** By the drain share alone, for a day that was planned to its target. */
export function shareFactor(share: number, target: number, sheet: Worksheet): number {
  const raw = (1 - share) / (1 - target);
  const factor = sheet.note(
    "Correction by yesterday's drain",
    "f = (1 − drain yesterday) / (1 − drain target), within 0.8 to 1.25",
    fill`(1 − ${share}) ÷ (1 − ${target})`,
    Math.min(Math.max(raw, LEAST_FACTOR), MOST_FACTOR),
    "",
    "water balance of the substrate; limits are this program's own caution",
  );
  if (factor !== raw)
    sheet.warn(
      `Yesterday's drain of ${showNumber(share * 100)} % asks for more than one day's correction; the rest is left for tomorrow.`,
    );
  return factor;
}

/** The share that is to run out: the target, unless the drain would stay too salty at it. Shares from 0 to 1. */
export function shareAgainstSalt(
  target: number,
  share: number,
  { drainEcMsCm, feedEcMsCm }: Pick<Yesterday, "drainEcMsCm" | "feedEcMsCm">,
  sheet: Worksheet,
): number {
  if (target === 0) return 0;
  const uptakeEc = (feedEcMsCm - share * drainEcMsCm) / (1 - share);
  const limit = DRAIN_EC_LIMIT_RATIO * feedEcMsCm;
  const foreseen = sheet.note(
    "Drain EC foreseen at the target share",
    "(feed EC − (1 − target) · uptake EC) / target, uptake EC = (feed EC − share · drain EC) / (1 − share)",
    fill`(${feedEcMsCm} − (1 − ${target}) × ${uptakeEc}) ÷ ${target}`,
    (feedEcMsCm - (1 - target) * uptakeEc) / target,
    "mS/cm",
    "salt balance of the substrate",
  );
  if (foreseen <= limit) return target;
  const needed = (feedEcMsCm - uptakeEc) / (limit - uptakeEc);
  const drainShare = Math.min(Math.max(needed, target), MOST_DRAIN_SHARE);
  sheet.warn(
    `Salt is building up: at the target share the drain would stay at ${foreseen.toFixed(1)} mS/cm, so more is let out today.`,
  );
  return sheet.note(
    "Drain share against salt",
    "(feed EC − uptake EC) / (limit − uptake EC), at most 0.5",
    fill`(${feedEcMsCm} − ${uptakeEc}) ÷ (${limit} − ${uptakeEc})`,
    drainShare,
    "",
    "limit 1.5 × feed EC, near 4.0/2.6 for tomato in Sonneveld & Voogt (2009); assumed for other crops",
  );
}
