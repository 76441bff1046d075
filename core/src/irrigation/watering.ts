/** Water that was given in a zone, as it was logged. */
export interface Watering {
  readonly zoneId: number;
  readonly startMs: number;
  readonly minutes: number;
  readonly litres: number;
}

/** Litres of some waterings together. */
export function litresGiven(waterings: readonly Watering[]): number {
  return waterings.reduce((sum, watering) => sum + watering.litres, 0);
}
