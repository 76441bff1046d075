import type { BenchZone, SubstrateZone } from "../site/zone.ts";

type PotZone = Pick<BenchZone | SubstrateZone, "waterHeldLPlant" | "plants" | "areaM2">;

/** Water that all pots hold at container capacity, over the zone's area, mm. */
export function heldMm({ waterHeldLPlant, plants, areaM2 }: PotZone): number {
  return (waterHeldLPlant * plants) / areaM2;
}

/** L in a plant's share when so much is missing over the area, mm. */
export function heldLPlantAt({ waterHeldLPlant, plants, areaM2 }: PotZone, missingMm: number): number {
  return waterHeldLPlant - (missingMm * areaM2) / plants;
}

export function missingWhereHeld(zone: PotZone, heldLPlant: number | undefined): number | null {
  return heldLPlant === undefined ? null : ((zone.waterHeldLPlant - heldLPlant) * zone.plants) / zone.areaM2;
}
