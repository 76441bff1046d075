import { OPEN_FIELD_PCT } from "./zone.ts";

/**
 * Share of the rain that comes through a cover, 0 to 1: what was said of it; else all in the open field and none under a cover.
 *
 * @param transmissionPct light through the cover, %
 * @param rainThroughPct rain through the cover, %; null where nobody said it
 */
export function rainThrough(transmissionPct: number, rainThroughPct: number | null): number {
  return (rainThroughPct ?? (transmissionPct >= OPEN_FIELD_PCT ? 100 : 0)) / 100;
}
