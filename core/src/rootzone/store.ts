/**
 * The water, salt and nitrogen of a root zone over its ground, and how an hour moves them. All growing systems share this step;
 * a `Store` says in what they differ.
 */

/** A root zone as it stands on a day. Depths are over the whole zone. */
export interface Store {
  /** mm of water that it holds when full: at field or container capacity, at the tank's or the pond's mark */
  readonly fullMm: number;
  /** mm between full and the point at which roots get nothing */
  readonly availableMm: number;
  /** mm missing up to which roots take all that they want */
  readonly easyMm: number;
  /** mm over full that stand in it before water runs off */
  readonly overMm: number;
  /** share of what stands over full that drains within an hour, 0 to 1 */
  readonly drainShareH: number;
  /** mm that seep away in an hour while there is something to seep */
  readonly seepMmH: number;
  /** share of what is given that gets in; the rest is lost to unevenness, 0 to 1 */
  readonly efficientShare: number;
  /** whether what is given from below and finds no room runs back as it came */
  readonly returns: boolean;
}

/** The figures of a store in a row, as the step reads them: objects of several makes would slow it down. */
export type StoreFigures = Float64Array;

/** For the step; made once for all hours in which a store stays as it is. */
export function figuresOf(store: Store): StoreFigures {
  const { fullMm, availableMm, easyMm, overMm, drainShareH, seepMmH, efficientShare, returns } = store;
  return Float64Array.of(fullMm, availableMm, easyMm, overMm, drainShareH, seepMmH, efficientShare, returns ? 1 : 0);
}

/** Slots of a state: mm of water, salt as EC · mm (mS/cm · mm), nitrogen g/m², and the mm that it would hold when full. */
export const WATER = 0;
export const SALT = 1;
export const NITROGEN = 2;
export const FULL = 3;
export const STATE_SLOTS = 4;

/** Slots of an hour: what the weather asks for and what is given. */
export const DEMAND_MM = 0;
export const RAIN_MM = 1;
/** gross, over the zone's area */
export const GIVEN_MM = 2;
export const GIVEN_EC = 3;
/** nitrogen of what is given, g/m³ */
export const GIVEN_N = 4;
/** EC of what roots take up: the salt that goes with it, mS/cm */
export const UPTAKE_EC = 5;
/** nitrogen that the crop would take up, g/m² */
export const WANTED_N = 6;
export const HOUR_SLOTS = 7;

/** Slots of what flowed in an hour: mm, EC · mm, g/m². */
export const TAKEN_MM = 0;
export const SHORT_MM = 1;
/** below, or back to where it came from */
export const DRAIN_MM = 2;
/** to unevenness, before it can be stored */
export const LOST_MM = 3;
/** over the rim, the bund or the ground */
export const OVERFLOW_MM = 4;
export const SALT_IN = 5;
export const SALT_OUT = 6;
export const SALT_TAKEN = 7;
export const N_IN = 8;
export const N_OUT = 9;
export const N_TAKEN = 10;
/** salt in what drained, without what was lost or ran over */
export const DRAIN_SALT = 11;
export const FLUX_SLOTS = 12;

/**
 * Moves a state through hours that stand in a row, in place and without allocating. In each, what is given and rains comes in,
 * roots take what they can, and only then what stands over full drains or runs off. For water, salt and nitrogen
 * in − out − change is zero to rounding, hour by hour.
 *
 * @param hours slots of the first hour from `hourAt` on
 * @param flux slots of the first hour from `fluxAt` on; overwritten
 * @see FAO-56, eq. 84 (Ks) and 85 to 88 (balance: percolation is what is left over once the day's use is taken off)
 */
export function stepStore(
  store: StoreFigures,
  state: Float64Array,
  hours: Float64Array,
  hourAt: number,
  flux: Float64Array,
  fluxAt: number,
  count = 1,
): void {
  const fullMm = store[0] as number;
  const availableMm = store[1] as number;
  const easyMm = store[2] as number;
  const topMm = fullMm + (store[3] as number);
  const drainShareH = store[4] as number;
  const seepMmH = store[5] as number;
  const lostShare = 1 - (store[6] as number);
  const returns = store[7] === 1;
  // mm of water at which roots get nothing, and the mm over which they go short
  const emptyMm = fullMm - availableMm;
  const hardMm = availableMm - easyMm;
  let waterMm = state[WATER] as number;
  let salt = state[SALT] as number;
  let nitrogen = state[NITROGEN] as number;

  for (let hour = 0; hour < count; hour++) {
    const from = hourAt + hour * HOUR_SLOTS;
    const demandMm = hours[from + DEMAND_MM] as number;
    const givenMm = hours[from + GIVEN_MM] as number;
    const givenEc = hours[from + GIVEN_EC] as number;
    // mg/L are g/m³, and a mm on a m² is a litre
    const givenN = (hours[from + GIVEN_N] as number) / 1000;

    const lostMm = givenMm * lostShare;
    let storedMm = givenMm - lostMm;
    let backMm = 0;
    if (returns) {
      const roomMm = Math.max(0, fullMm - waterMm);
      backMm = Math.max(0, storedMm - roomMm);
      storedMm -= backMm;
    }
    waterMm += storedMm + (hours[from + RAIN_MM] as number);
    const gotMm = Math.max(0, waterMm - emptyMm);
    const takenMm = Math.min(hardMm > 0 && gotMm < hardMm ? (demandMm * gotMm) / hardMm : demandMm, gotMm);
    waterMm -= takenMm;

    const seepMm = Math.min(seepMmH, gotMm - takenMm);
    const drainedMm = seepMm + Math.max(0, waterMm - seepMm - fullMm) * drainShareH;
    const overflowMm = Math.max(0, waterMm - drainedMm - topMm);

    salt += storedMm * givenEc;
    nitrogen += storedMm * givenN;
    const saltTaken = Math.min(takenMm * (hours[from + UPTAKE_EC] as number), salt);
    const nTaken = Math.min(hours[from + WANTED_N] as number, nitrogen);
    salt -= saltTaken;
    nitrogen -= nTaken;
    const perMm = waterMm > 0 ? 1 / waterMm : 0;
    const drainSalt = salt * drainedMm * perMm;
    const saltGone = drainSalt + salt * overflowMm * perMm;
    const nGone = nitrogen * (drainedMm + overflowMm) * perMm;
    waterMm -= drainedMm + overflowMm;
    salt -= saltGone;
    nitrogen -= nGone;

    const to = fluxAt + hour * FLUX_SLOTS;
    const pastMm = lostMm + backMm;
    flux[to + TAKEN_MM] = takenMm;
    flux[to + SHORT_MM] = demandMm - takenMm;
    flux[to + DRAIN_MM] = drainedMm + backMm;
    flux[to + LOST_MM] = lostMm;
    flux[to + OVERFLOW_MM] = overflowMm;
    flux[to + SALT_IN] = givenMm * givenEc;
    flux[to + SALT_OUT] = saltGone + pastMm * givenEc;
    flux[to + SALT_TAKEN] = saltTaken;
    flux[to + N_IN] = givenMm * givenN;
    flux[to + N_OUT] = nGone + pastMm * givenN;
    flux[to + N_TAKEN] = nTaken;
    flux[to + DRAIN_SALT] = drainSalt + backMm * givenEc;
  }
  state[WATER] = waterMm;
  state[SALT] = salt;
  state[NITROGEN] = nitrogen;
}

/**
 * Depletion fraction under a day's demand.
 *
 * @see FAO-56, table 22, note 2: p = p(table) + 0.04 · (5 − ETc), held between 0.1 and 0.8
 */
export function depletionFractionAt(tabled: number, demandMm: number): number {
  return Math.min(0.8, Math.max(0.1, tabled + 0.04 * (5 - demandMm)));
}
