/** What a new zone starts from in a field that nobody has filled yet, and what that rests on. It stays marked until a person confirms it. */
export interface ZoneStart {
  readonly value: number;
  readonly source: string;
}
/** Light that a house's cover lets through, %. */
export const COVER_START: ZoneStart = { value: 65, source: "glass, 60 to 70 %" };

/** Share of a return tank that is left when it is topped up, so that strength and pH stay steady. Usual practice. */
export const RETURN_TANK_TOPPED_UP_AT = 0.8;
