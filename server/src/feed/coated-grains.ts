import type { DoseProgramme } from "@sprunel/contract/feed";
import { standOn, type Standing } from "@sprunel/core/crop";
import { coatedOut, type MainAmounts } from "@sprunel/core/feed/doses";
import { daysBetween } from "@sprunel/core/time";
import type { StoredZone } from "../scope/zone-store.ts";
import { scaled } from "./dose-answer.ts";

type Grains = DoseProgramme["coated"][number];
/** g on a m² as kg/ha */
const KG_HA = 10;

/** All that coated grains hold, on the ground of a zone. */
export function heldBy(
  { gPlant, nPct: N, pPct: P, kPct: K }: Grains,
  { planting }: Standing,
  { definition }: StoredZone,
  areaM2: number,
  on: string,
): MainAmounts {
  const { plants } = standOn(planting, definition, on);
  return scaled({ N, P, K }, ((gPlant * plants) / areaM2 / 100) * KG_HA);
}

/**
 * Share that grains set free from one day to another, at the crop's usual temperature (assumed: that of the root zone is seldom
 * read).
 */
export function freedShare({ on, longevityDays, statedAtC }: Grains, from: string, to: string, usualC: number): number {
  const out = (date: string): number =>
    coatedOut(daysBetween(on, date), { longevityDays, statedAtC, temperatureC: usualC });
  return Math.max(0, out(to) - out(from));
}
