/** Water in the root zone of drip-irrigated soil as its depletion from field capacity, over the zone's ground. */

export interface SoilState {
  /** mm missing from field capacity */
  readonly depletionMm: number;
  /** salt as EC · depth, mS/cm · mm */
  readonly saltEcMm: number;
}

export interface SoilInputs {
  readonly givenMm: number;
  readonly givenEcMsCm: number;
  readonly rainMm: number;
  /** what crop and ground would evaporate with ample water */
  readonly demandMm: number;
}

export interface SoilFluxes {
  readonly uptakeMm: number;
  readonly percolationMm: number;
  readonly percolationSaltEcMm: number;
}

export interface SoilLimits {
  /** mm between field capacity and wilting point in the wetted, rooted soil */
  readonly availableMm: number;
  /** mm of water in that soil at field capacity */
  readonly fieldCapacityMm: number;
  /** share of the available water that is easy to take, FAO-56 p */
  readonly depletionFraction: number;
}

/**
 * One time step of the root-zone balance.
 *
 * Uptake falls in a straight line once more than the easy share is gone. In − out − change is zero to rounding.
 *
 * @see FAO-56, eq. 84 (Ks) and 85 (balance); water above field capacity percolates in the same step
 */
export function stepSoil(
  state: SoilState,
  { givenMm, givenEcMsCm, rainMm, demandMm }: SoilInputs,
  { availableMm, fieldCapacityMm, depletionFraction }: SoilLimits,
): { state: SoilState; fluxes: SoilFluxes } {
  const storedMm = fieldCapacityMm - state.depletionMm + givenMm + rainMm;
  const salt = state.saltEcMm + givenMm * givenEcMsCm;
  const percolationMm = Math.max(0, storedMm - fieldCapacityMm);
  const percolationSaltEcMm = storedMm > 0 ? (salt * percolationMm) / storedMm : 0;
  const depletionMm = fieldCapacityMm - (storedMm - percolationMm);
  const stress = Math.min(1, Math.max(0, (availableMm - depletionMm) / ((1 - depletionFraction) * availableMm)));
  const uptakeMm = Math.min(demandMm * stress, Math.max(0, availableMm - depletionMm));
  return {
    state: { depletionMm: depletionMm + uptakeMm, saltEcMm: salt - percolationSaltEcMm },
    fluxes: { uptakeMm, percolationMm, percolationSaltEcMm },
  };
}

/**
 * Depletion fraction under today's demand.
 *
 * @see FAO-56, table 22, note 2: p = p(table) + 0.04 · (5 − ETc), held between 0.1 and 0.8
 */
export function depletionFractionAt(tabled: number, demandMm: number): number {
  return Math.min(0.8, Math.max(0.1, tabled + 0.04 * (5 - demandMm)));
}
