/** How an emitter's flow follows pressure, with what its maker says of it. */
export interface Emitter {
  /** L/h at `atKpa` */
  readonly flowLh: number;
  readonly atKpa: number;
  /** 0 for a perfectly compensating one, about 0.5 for an orifice or a long path in turbulent flow, 1 in laminar flow */
  readonly exponent: number;
  /** coefficient of variation of manufacture, a fraction */
  readonly cv?: number | undefined;
  /** working range; a compensating emitter holds its flow inside it only */
  readonly minKpa?: number | undefined;
  readonly maxKpa?: number | undefined;
}

/** Below its least working pressure a compensating emitter is an open orifice. */
const ORIFICE_EXPONENT = 0.5;

/**
 * Flow of one emitter, q = k·pˣ; below the least working pressure of a compensating emitter as an orifice that joins it.
 *
 * @returns L/h, 0 without pressure
 * @see Karmeli & Keller (1975), Trickle Irrigation Design
 */
export function emitterFlowLh({ flowLh, atKpa, exponent, minKpa }: Emitter, kPa: number): number {
  if (kPa <= 0) return 0;
  const law = (pressure: number): number => flowLh * (pressure / atKpa) ** exponent;
  if (minKpa !== undefined && kPa < minKpa && exponent < ORIFICE_EXPONENT)
    return law(minKpa) * (kPa / minKpa) ** ORIFICE_EXPONENT;
  return law(kPa);
}
