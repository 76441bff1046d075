const DAYS_A_YEAR = 365;
/** For each ten degrees twice as much. Stanford, Frere & Schwaninger (1973), Soil Science 115:321–323, 5 to 35 °C. */
const Q10 = 2;
/** The warmth of the year for which a decay series tells its shares. Assumed: Pratt, Broadbent & Martin (1973) speak of California's. */
const SERIES_C = 15;
const LEAST_C = 5;

/**
 * Nitrogen that soil, manure and residues set free on a day, of what they set free in a year.
 *
 * @param yearKgHa kg/ha in a year, 0 or more
 * @param meanC of the day, °C; under 5 °C nothing is set free
 * @returns kg/ha
 * @see Stanford, Frere & Schwaninger (1973) for the answer to warmth
 */
export function freedOn(yearKgHa: number, meanC: number): number {
  return meanC < LEAST_C ? 0 : (yearKgHa / DAYS_A_YEAR) * Q10 ** ((meanC - SERIES_C) / 10);
}
