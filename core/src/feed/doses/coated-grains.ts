import type { Standing } from "../../crop/planting.ts";
import { standOn } from "../../crop/stand.ts";
import type { ZoneDefinition } from "../../site/zone.ts";
import { daysBetween } from "../../time/local-time.ts";
import { scaled, type MainAmounts } from "./nutrients.ts";
import type { CoatedGrains } from "./programme-grounds.ts";
import { coatedOut } from "./slow-release.ts";

/** g on a m² as kg/ha */
const KG_HA = 10;

/** All that coated grains hold, on the ground of a zone. */
export function heldBy(
  { gPlant, nPct: N, pPct: P, kPct: K }: CoatedGrains,
  { planting }: Standing,
  { definition }: { readonly definition: ZoneDefinition },
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
export function freedShare(
  { on, longevityDays, statedAtC }: CoatedGrains,
  from: string,
  to: string,
  usualC: number,
): number {
  const out = (date: string): number =>
    coatedOut(daysBetween(on, date), { longevityDays, statedAtC, temperatureC: usualC });
  return Math.max(0, out(to) - out(from));
}
