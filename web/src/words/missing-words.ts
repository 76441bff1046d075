import type { BoardZone } from "@sprunel/contract/today";

/** Why a zone has no figures on a day. */
export const MISSING_WORDS: Record<NonNullable<BoardZone["missing"]>, string> = {
  "not-planted": "nothing planted",
  "no-weather": "no weather known",
  "no-reading": "no reading",
};
