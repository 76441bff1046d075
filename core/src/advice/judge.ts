/** What deviates: a mark with the cause as data; the words are found where they are shown. */

export type Mark = "steady" | "watch" | "act";

export type Finding =
  | {
      readonly cause: "drain-low" | "drain-high";
      readonly mark: Mark;
      readonly drainPct: number;
      readonly targetPct: number;
      /** null where only the share was read */
      readonly drainEcMsCm: number | null;
    }
  | { readonly cause: "salt"; readonly mark: Mark; readonly drainEcMsCm: number; readonly feedEcMsCm: number }
  | { readonly cause: "dosing"; readonly mark: Mark; readonly dripEcMsCm: number; readonly feedEcMsCm: number }
  | { readonly cause: "too-dry"; readonly mark: Mark; readonly depletionMm: number; readonly triggerMm: number }
  | { readonly cause: "delivery"; readonly mark: Mark; readonly givenL: number; readonly plannedL: number }
  | { readonly cause: "window-short"; readonly mark: Mark; readonly unmetL: number }
  | { readonly cause: "no-drain-reading"; readonly mark: Mark; readonly days: number };

/** Points of drain share off target. Usual practice looks twice beyond 5 and corrects beyond 10; our own limits. */
const DRAIN_WATCH = 5;
const DRAIN_ACT = 10;
/** Drain EC over feed EC; the upper is near 4.0/2.6 for tomato in Sonneveld & Voogt (2009). */
export const SALT_WATCH = 1.5;
const SALT_ACT = 1.8;
/** Drip EC against the mixed feed's; two pens of good order differ by up to 5 %. Our own limits. */
export const DOSING_WATCH = 0.07;
const DOSING_ACT = 0.12;
/** Meter against plan; a meter and the plan's rounding differ by a few per cent on any day. */
const DELIVERY_WATCH = 0.08;
const DELIVERY_ACT = 0.15;
/** Depletion against the trigger. */
const DRY_WATCH = 1.15;
const DRY_ACT = 1.4;

/** Whether a drain share is far enough from another to look twice. */
export function isOffShare(drainPct: number, otherPct: number): boolean {
  return Math.abs(drainPct - otherPct) > DRAIN_WATCH;
}

/** A little drain of high EC is one cause: salt is named on its own only when the share is right. */
export function judgeDrain(
  drainPct: number,
  targetPct: number,
  drainEcMsCm: number | null,
  feedEcMsCm: number | null,
): Finding | null {
  const off = drainPct - targetPct;
  if (isOffShare(drainPct, targetPct)) {
    const mark = Math.abs(off) > DRAIN_ACT ? "act" : "watch";
    return { cause: off < 0 ? "drain-low" : "drain-high", mark, drainPct, targetPct, drainEcMsCm };
  }
  if (feedEcMsCm !== null && drainEcMsCm !== null && feedEcMsCm > 0 && drainEcMsCm > SALT_WATCH * feedEcMsCm)
    return { cause: "salt", mark: drainEcMsCm > SALT_ACT * feedEcMsCm ? "act" : "watch", drainEcMsCm, feedEcMsCm };
  return null;
}

/** What drips against what is mixed: a doser that gives more or less than it should. */
export function judgeDosing(dripEcMsCm: number, feedEcMsCm: number): Finding | null {
  const off = feedEcMsCm > 0 ? Math.abs(dripEcMsCm / feedEcMsCm - 1) : 0;
  return off > DOSING_WATCH
    ? { cause: "dosing", mark: off > DOSING_ACT ? "act" : "watch", dripEcMsCm, feedEcMsCm }
    : null;
}

export function judgeDepletion(depletionMm: number, triggerMm: number): Finding | null {
  if (depletionMm <= DRY_WATCH * triggerMm) return null;
  return { cause: "too-dry", mark: depletionMm > DRY_ACT * triggerMm ? "act" : "watch", depletionMm, triggerMm };
}

export function judgeDelivery(givenL: number, plannedL: number): Finding | null {
  const off = plannedL > 0 ? Math.abs(givenL - plannedL) / plannedL : 0;
  return off > DELIVERY_WATCH
    ? { cause: "delivery", mark: off > DELIVERY_ACT ? "act" : "watch", givenL, plannedL }
    : null;
}

/** The gravest of several marks. */
export function worstMark(marks: readonly Mark[]): Mark {
  return marks.includes("act") ? "act" : marks.includes("watch") ? "watch" : "steady";
}
