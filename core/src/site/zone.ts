/** What the program must know of a zone to plan its water. Quantities in canonical units. */
interface ZoneBasics {
  readonly areaM2: number;
  readonly plants: number;
  /** L/h of the whole zone */
  readonly flowLh: number;
  readonly uniformityPct: number;
  /** first water so long after sunrise, last water so long before sunset */
  readonly startAfterSunriseMin: number;
  readonly endBeforeSunsetMin: number;
  readonly minGapMin: number;
}

export interface SubstrateZone extends ZoneBasics {
  readonly system: "substrate";
  readonly waterHeldLPlant: number;
  /** % of the water held that roots can still draw from */
  readonly easilyAvailablePct: number;
  readonly pulseSharePct: number;
}

export interface SoilDripZone extends ZoneBasics {
  readonly system: "soil-drip";
  /** mm between field capacity and wilting point in one metre of this soil */
  readonly availableMmM: number;
  readonly wettedPct: number;
  readonly refillPct: number;
  /** % of the available water that may be gone before water is given; never more than the crop stands without stress */
  readonly triggerPct: number;
  readonly ecWaterMsCm: number;
}

export type Zone = SubstrateZone | SoilDripZone;
export type ZoneField = Exclude<keyof SubstrateZone | keyof SoilDripZone, "system">;

export interface Place {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly elevationM: number;
  readonly timeZone: string;
}
