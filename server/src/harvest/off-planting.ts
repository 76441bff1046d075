import { partShare, type Standing } from "@sprunel/core/crop";
import type { StoredZone } from "../scope/zone-store.ts";

/** Whether some of a zone's plantings have rows of their own, so that a pick must be told to one of them. */
export function standsBeside({ grown }: StoredZone): boolean {
  return grown.some(({ part }) => part);
}

/** The ground that a planting's yield is counted over, m². */
export function groundOf({ definition }: StoredZone, standing: Standing | null): number {
  return definition.areaM2 * partShare(standing?.planting.part);
}
