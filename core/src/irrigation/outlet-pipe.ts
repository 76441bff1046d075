import { DomainError } from "../working/domain-error.ts";
import { emitterFlowLh, type Emitter } from "./emitter.ts";

export interface OutletPoint {
  readonly xM: number;
  readonly kPa: number;
  readonly lh: number;
}

/** A pipe with equal outlets at equal distances, closed at its end. */
export interface OutletPipe {
  readonly count: number;
  readonly outlet: Emitter;
  readonly spacingM: number;
  /** spacing with the equivalent length of an outlet's barb */
  readonly lossLengthM: number;
  readonly diameterM: number;
  readonly viscosityM2S: number;
  /** m of water per m, by m³/s */
  friction(flowM3S: number): number;
  readonly kPaPerM: number;
  /** metres that each segment rises */
  readonly riseM: number;
}

/** From the pressure at the last outlet up to the inlet. */
function upstream(pipe: OutletPipe, endKpa: number, visit?: (at: number, kPa: number, lh: number) => void): number {
  let kPa = endKpa;
  let flowLh = 0;
  for (let at = pipe.count; at >= 1; at--) {
    const lh = emitterFlowLh(pipe.outlet, kPa);
    visit?.(at, kPa, lh);
    flowLh += lh;
    const lostM = pipe.friction(flowLh / 3.6e6) * pipe.lossLengthM;
    kPa += (lostM + pipe.riseM) * pipe.kPaPerM;
  }
  return kPa;
}

/**
 * Pressure and flow of every outlet along a pipe, segment by segment.
 *
 * The pressure at the closed end is sought at which the losses, flows and rises upstream give the inlet pressure.
 *
 * @throws {DomainError} at `inletKpa` when it cannot lift water to the end
 */
export function alongPipe(pipe: OutletPipe, inletKpa: number): OutletPoint[] {
  const riseKpa = pipe.count * pipe.riseM * pipe.kPaPerM;
  if (inletKpa <= riseKpa)
    throw new DomainError({
      code: "not-possible",
      path: "inletKpa",
      message: `The end lies ${(pipe.count * pipe.riseM).toFixed(1)} m higher than the inlet: more than ${riseKpa.toFixed(0)} kPa are needed there, not ${inletKpa}.`,
    });
  // The end can have no more than the static pressure; the inlet pressure found rises with it. The share of it is sought by
  // its fourth root, because steep emitter laws put the answer very near to none.
  const endKpa = (root: number): number => (inletKpa - riseKpa) * root ** 4;
  const missed = (root: number): number => upstream(pipe, endKpa(root)) - inletKpa;
  const { root, over } = risingRoot(missed, 1e-9 * inletKpa);
  // Going uphill, or with emitters that give the same at any pressure, some inlet pressures carry no water to the end.
  if (over > 1e-4 * inletKpa)
    throw new DomainError({
      code: "not-possible",
      path: "inletKpa",
      message: `Water reaches the last emitter from about ${Math.ceil(inletKpa + over)} kPa at the inlet on, not at ${inletKpa}: raise it, shorten the lateral or take a wider pipe.`,
    });
  const profile: OutletPoint[] = [];
  upstream(pipe, endKpa(root), (at, kPa, lh) => profile.push({ xM: at * pipe.spacingM, kPa, lh }));
  return profile.reverse();
}

/**
 * Where a function that rises from 0 to 1 passes zero: regula falsi in Illinois' form.
 *
 * @returns the place, and what is left there: more than `near` only where the function jumps over zero
 */
function risingRoot(rising: (at: number) => number, near: number): { readonly root: number; readonly over: number } {
  let [low, high] = [0, 1];
  let [under, over] = [rising(0), rising(1)];
  if (under >= 0) return { root: 0, over: under };
  let [found, left] = [1, over];
  for (let round = 0; round < 100 && high - low > 1e-14 && Math.abs(left) > near; round++) {
    const drawn = low + ((high - low) * -under) / (over - under);
    const at = drawn > low && drawn < high ? drawn : (low + high) / 2;
    const before = left;
    [found, left] = [at, rising(at)];
    // A side that stands still is halved, or the other would creep.
    if (left < 0) {
      [low, under] = [at, left];
      if (before < 0) over /= 2;
    } else {
      [high, over] = [at, left];
      if (before > 0) under /= 2;
    }
  }
  return { root: found, over: Math.abs(left) };
}
