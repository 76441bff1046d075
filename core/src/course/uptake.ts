import { isLeafless, type CropState } from "../crop/stage-on.ts";
import type { Uptake } from "./day-hours.ts";

/**
 * EC of what roots take up against that of the feed: 0.6 to 0.75 of it where some is to drain. Sonneveld & Voogt (2009), Plant
 * Nutrition of Greenhouse Crops, uptake beside supply; one figure for all crops is assumed.
 */
const OF_FEED_EC = 0.7;

/**
 * What a crop takes of nitrogen that does not come with its feed: so much in a day, with all the water that the day asks for.
 *
 * @param wantedGM2 g/m² of that day
 */
export function nitrogenWith(wantedGM2: number, demandMm: number): Uptake {
  return { ecMsCm: 0, nGM3: demandMm > 0 ? (wantedGM2 / demandMm) * 1000 : 0 };
}

/** What a crop takes with its water of what it is fed; leafless plants take no nitrogen. */
export function uptakeOf({ ecMsCm, nGM3 }: Uptake, cropState: CropState): Uptake {
  return { ecMsCm: OF_FEED_EC * ecMsCm, nGM3: isLeafless(cropState) ? 0 : nGM3 };
}
