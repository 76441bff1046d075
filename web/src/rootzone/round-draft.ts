import type { NewRound } from "@sprunel/contract/rootzone";
import type { ReadingKey } from "../systems/reading-field.ts";

/** What a jug under a dripper, the tray and its drippers say of the share that drained. */
export interface Bucket {
  readonly dripMl: number | null;
  readonly drippers: number | null;
  readonly drainMl: number | null;
}
export interface DraftRow {
  /** when the first value was typed, by the server's clock */
  readonly at: string;
  readonly values: Partial<Record<ReadingKey, number | null>>;
  readonly bucket?: Bucket;
}
/** By zone id: what was typed on the walk and is not yet written. */
export type RoundDraft = Readonly<Record<string, DraftRow>>;

/** Before anything was typed. */
export const NO_DRAFT: RoundDraft = {};

/**
 * The share that drained, %: the tray's water over what its drippers gave.
 *
 * @returns null while something is missing; words where it cannot be
 */
export function bucketSharePct({ dripMl, drippers, drainMl }: Bucket): number | null | string {
  if (dripMl === null || drippers === null || drainMl === null) return null;
  const givenMl = dripMl * drippers;
  if (givenMl <= 0) return "Nothing was caught under the dripper, so no share can be told.";
  if (drainMl > givenMl)
    return `${drainMl} mL drained, but the drippers over the tray gave only ${Math.round(givenMl)} mL; check the jugs and the number of drippers.`;
  return (100 * drainMl) / givenMl;
}

/** What is to be written: the rows in which something was read. */
export function readingsOf(draft: RoundDraft): NewRound["readings"] {
  return Object.entries(draft).flatMap(([zoneId, { at, values, bucket }]) => {
    const share = bucket && bucketSharePct(bucket);
    const read = Object.entries({
      ...values,
      ...(typeof share === "number" && { drainPct: Number(share.toFixed(1)) }),
    }).filter(([, value]) => typeof value === "number");
    return read.length === 0 ? [] : [{ zoneId: Number(zoneId), at, ...Object.fromEntries(read) }];
  });
}
