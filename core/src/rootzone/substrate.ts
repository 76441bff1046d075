/** Water and salt in a plant's share of substrate, mixed evenly; what it cannot hold runs out. Per plant. */

export interface SubstrateState {
  readonly waterL: number;
  /** salt as EC · volume, mS/cm · L */
  readonly saltEcL: number;
}

interface SubstrateInputs {
  readonly givenL: number;
  readonly givenEcMsCm: number;
  /** what the plant would take */
  readonly demandL: number;
  /** EC of what is taken up; salt that roots leave behind stays */
  readonly uptakeEcMsCm: number;
}

interface SubstrateFluxes {
  readonly uptakeL: number;
  readonly uptakeSaltEcL: number;
  readonly drainL: number;
  readonly drainSaltEcL: number;
}

interface SubstrateLimits {
  /** L held at container capacity */
  readonly capacityL: number;
  /** L that roots can still draw from, at most */
  readonly easilyAvailableL: number;
}

/**
 * One time step: give, mix, drain what is over capacity, take up what roots can reach.
 *
 * In − out − change is zero to rounding, for water and for salt.
 */
export function stepSubstrate(
  state: SubstrateState,
  { givenL, givenEcMsCm, demandL, uptakeEcMsCm }: SubstrateInputs,
  { capacityL, easilyAvailableL }: SubstrateLimits,
): { state: SubstrateState; fluxes: SubstrateFluxes } {
  const wetL = state.waterL + givenL;
  const wetSalt = state.saltEcL + givenL * givenEcMsCm;
  const drainL = Math.max(0, wetL - capacityL);
  const drainSaltEcL = wetL > 0 ? (wetSalt * drainL) / wetL : 0;
  const afterDrainL = wetL - drainL;
  const uptakeL = Math.min(demandL, Math.max(0, afterDrainL - (capacityL - easilyAvailableL)));
  const uptakeSaltEcL = Math.min(uptakeL * uptakeEcMsCm, wetSalt - drainSaltEcL);
  return {
    state: { waterL: afterDrainL - uptakeL, saltEcL: wetSalt - drainSaltEcL - uptakeSaltEcL },
    fluxes: { uptakeL, uptakeSaltEcL, drainL, drainSaltEcL },
  };
}
