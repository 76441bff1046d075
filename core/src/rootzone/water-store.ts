/**
 * One store of water over a zone's ground, as what is missing from full: rooted soil, a tank of solution, pots on a bench
 * or a flooded basin. What comes on top runs over; what seeps away and what roots take makes room.
 */

export interface StoreState {
  /** mm missing from full: field capacity, the tank's or the pond's mark; below 0 where rain stands over a pond's mark */
  readonly depletionMm: number;
  /** salt as EC · depth, mS/cm · mm */
  readonly saltEcMm: number;
}

interface StoreInputs {
  readonly givenMm: number;
  readonly givenEcMsCm: number;
  readonly rainMm: number;
  /** what crop and ground would evaporate with ample water */
  readonly demandMm: number;
  /** mm that seep out of a flooded soil in the step, while there is something to seep; none elsewhere */
  readonly seepMm?: number | undefined;
}

interface StoreFluxes {
  readonly uptakeMm: number;
  /** over full, and seeped */
  readonly percolationMm: number;
  readonly percolationSaltEcMm: number;
}

export interface StoreLimits {
  /** mm between full and the point at which roots get nothing */
  readonly availableMm: number;
  /** mm of water in the store when full */
  readonly fullMm: number;
  /** mm of rain that bunds keep over the mark; none elsewhere */
  readonly overMarkMm?: number | undefined;
  /** share of the available water that is easy to take, FAO-56 p */
  readonly depletionFraction: number;
}

/**
 * One time step of the balance.
 *
 * Uptake falls in a straight line once more than the easy share is gone. In − out − change is zero to rounding.
 *
 * @see FAO-56, eq. 84 (Ks) and 85 (balance); water above full runs over in the same step
 */
export function stepStore(
  state: StoreState,
  { givenMm, givenEcMsCm, rainMm, demandMm, seepMm = 0 }: StoreInputs,
  { availableMm, fullMm, overMarkMm = 0, depletionFraction }: StoreLimits,
): { state: StoreState; fluxes: StoreFluxes } {
  const storedMm = fullMm - state.depletionMm + givenMm + rainMm;
  const salt = state.saltEcMm + givenMm * givenEcMsCm;
  const overMm = Math.max(0, storedMm - fullMm - overMarkMm);
  const seepedMm = Math.min(seepMm, Math.max(0, availableMm - (fullMm - (storedMm - overMm))));
  const percolationMm = overMm + seepedMm;
  const percolationSaltEcMm = storedMm > 0 ? (salt * percolationMm) / storedMm : 0;
  const depletionMm = fullMm - (storedMm - percolationMm);
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
