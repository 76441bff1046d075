import { CHARGE, MACRO_IONS, type Ions } from "../chemistry/ions.ts";
import { DRAIN_MM, GIVEN_MM, LOST_MM, OVERFLOW_MM, RAIN_MM, TAKEN_MM, type StoreFigures } from "./store.ts";

/**
 * Single ions in the water of a root zone, moved by the water that `stepStore` moved: in with what is given, out with what
 * drains and runs over, taken by the crop. Asked for only where somebody looks at them.
 */

/** The ions that are followed: all but urea. HCO3 is the alkalinity that is left, negative where acid is; all that carry charge stand before it. */
export const FOLLOWED_IONS = MACRO_IONS.filter((ion): ion is Exclude<typeof ion, "urea"> => ion !== "urea");
export const ION_SLOTS = FOLLOWED_IONS.length;
const BICARBONATE = FOLLOWED_IONS.indexOf("HCO3");
const CHARGES = FOLLOWED_IONS.map((ion) => CHARGE[ion]);

/** Books of each ion, mmol/m²: `ION_SLOTS` numbers in, then taken, then out. */
export const ION_BOOKS = 3 * ION_SLOTS;

/** How a crop takes ions. */
export interface IonUptake {
  /** mmol in a litre of what it takes up, in the order of `FOLLOWED_IONS`; that of HCO3 follows from the others' charge */
  readonly concentrations: Float64Array;
  /** share of the concentration round the roots with which an ion is taken beside that, as sodium and chloride are, 0 to 1 */
  readonly shares: Float64Array;
}

/** An hour that its water has gone through. */
export interface IonHour {
  /** water of the root zone as it began, mm */
  readonly before: number;
  /** its slots, and those of what flowed in it */
  readonly hour: Float64Array;
  readonly flux: Float64Array;
  /** what was given, mmol/L in the order of `FOLLOWED_IONS` */
  readonly given: Float64Array;
}

/** Amounts of named ions in the order of `FOLLOWED_IONS`; what is left out is none. */
export function ionRow(ions: Ions): Float64Array {
  return Float64Array.from(FOLLOWED_IONS, (ion) => ions[ion] ?? 0);
}

/**
 * Moves the ions of a root zone through an hour whose water is known already. What the crop takes is neutral: for each anion
 * more than cations it gives off a bicarbonate, for each cation more it takes one.
 *
 * In − taken − out − change is zero to rounding for every ion, and the charge of what stands stays what came in and went out.
 *
 * @param ions mmol/m², moved in place
 * @param books added to; see `ION_BOOKS`
 * @see Sonneveld & Voogt (2009), Plant Nutrition of Greenhouse Crops, for uptake by concentration and by share
 */
export function stepIons(
  store: StoreFigures,
  ions: Float64Array,
  { before, hour, flux, given }: IonHour,
  uptake: IonUptake,
  books: Float64Array,
): void {
  const fullMm = store[0] as number;
  const returns = store[7] === 1;
  const givenMm = hour[GIVEN_MM] as number;
  const takenMm = flux[TAKEN_MM] as number;
  const roomMm = Math.max(0, fullMm - before);
  const gotInMm = givenMm - (flux[LOST_MM] as number);
  const backMm = returns ? Math.max(0, gotInMm - roomMm) : 0;
  const storedMm = gotInMm - backMm;
  const wetMm = before + storedMm + (hour[RAIN_MM] as number);
  const leftMm = wetMm - takenMm;
  const leavesMm = (flux[DRAIN_MM] as number) - backMm + (flux[OVERFLOW_MM] as number);
  const leavesShare = leftMm > 0 ? Math.min(1, leavesMm / leftMm) : 0;
  const takenShare = wetMm > 0 ? takenMm / wetMm : 0;
  let charge = 0;
  for (let ion = 0; ion < ION_SLOTS; ion++) {
    const concentration = given[ion] as number;
    // mmol/L · mm are mmol/m²
    let amount = (ions[ion] as number) + storedMm * concentration;
    let taken;
    if (ion === BICARBONATE) taken = -charge / (CHARGES[BICARBONATE] as number);
    else {
      const wanted =
        takenMm * (uptake.concentrations[ion] as number) + takenShare * (uptake.shares[ion] as number) * amount;
      taken = Math.min(wanted, amount);
      charge += taken * (CHARGES[ion] as number);
    }
    amount -= taken;
    const gone = amount * leavesShare;
    ions[ion] = amount - gone;
    books[ion] = (books[ion] as number) + givenMm * concentration;
    books[ION_SLOTS + ion] = (books[ION_SLOTS + ion] as number) + taken;
    books[2 * ION_SLOTS + ion] = (books[2 * ION_SLOTS + ion] as number) + gone + (givenMm - storedMm) * concentration;
  }
}
