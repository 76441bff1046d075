import type { Vessel } from "../site/stand.ts";
import type { BenchZone, SubstrateZone } from "../site/zone.ts";

type PotZone = Pick<BenchZone | SubstrateZone, "waterHeldLPlant" | "plants" | "areaM2">;

/** Water that all pots hold at container capacity, over the zone's area, mm. */
export function heldMm({ waterHeldLPlant, plants, areaM2 }: PotZone): number {
  return (waterHeldLPlant * plants) / areaM2;
}

/** What pots hold of their volume when drained, where nobody said it: 40 to 50 % of a peat mix. Usual; assumed. */
const HELD_OF_VOLUME = 0.45;

/**
 * Share of the ground that the mouths of pots and troughs open to the sky; a pot is taken to be as wide as it is tall. Bags and
 * slabs are wrapped in film: nothing falls into them.
 */
export function mouthShare({ waterHeldLPlant, plants, areaM2 }: PotZone, vessel: Vessel | null): number {
  if (vessel?.kind === "bag" || vessel?.kind === "slab") return 0;
  const ofPlants = vessel && "plants" in vessel ? vessel.plants : 1;
  const litres = vessel && "substrateL" in vessel ? vessel.substrateL : waterHeldLPlant / HELD_OF_VOLUME;
  const widthM = Math.cbrt((4 * litres) / 1000 / Math.PI);
  return Math.min(1, ((Math.PI / 4) * widthM ** 2 * (plants / ofPlants)) / areaM2);
}

/** L in a plant's share when so much is missing over the area, mm. */
export function heldLPlantAt({ waterHeldLPlant, plants, areaM2 }: PotZone, missingMm: number): number {
  return waterHeldLPlant - (missingMm * areaM2) / plants;
}

export function missingWhereHeld(zone: PotZone, heldLPlant: number | undefined): number | null {
  return heldLPlant === undefined ? null : ((zone.waterHeldLPlant - heldLPlant) * zone.plants) / zone.areaM2;
}
