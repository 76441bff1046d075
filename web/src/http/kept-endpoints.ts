import { addMix } from "@sprunel/contract/feed";
import { addPick, addPicks } from "@sprunel/contract/harvest";
import { addWaterings } from "@sprunel/contract/irrigation";
import { addReading, addRound } from "@sprunel/contract/rootzone";
import { decide } from "@sprunel/contract/today";

/** What is noted on the way and must not be lost: sent twice it is one, so that it can wait and be sent again. */
export const KEPT = {
  reading: addReading,
  round: addRound,
  pick: addPick,
  picks: addPicks,
  waterings: addWaterings,
  mix: addMix,
  decision: decide,
} as const;
