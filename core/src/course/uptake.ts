import { isLeafless, type CropState } from "../crop/stage-on.ts";
import type { Uptake } from "./day-hours.ts";

/**
 * EC of what roots take up against that of the feed: 0.6 to 0.75 of it where some is to drain. Sonneveld & Voogt (2009), Plant
 * Nutrition of Greenhouse Crops, uptake beside supply; one figure for all crops is assumed.
 */
const OF_FEED_EC = 0.7;

/** What a crop takes with its water of what it is fed; leafless plants take no nitrogen. */
export function uptakeOf({ ecMsCm, nGM3 }: Uptake, cropState: CropState): Uptake {
  return { ecMsCm: OF_FEED_EC * ecMsCm, nGM3: isLeafless(cropState) ? 0 : nGM3 };
}
