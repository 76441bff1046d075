/** What is usual of a figure in a zone. */
export interface Usual {
  readonly median: number;
  readonly least: number;
  readonly most: number;
}

/** Fewer values say nothing of what is usual. */
const LEAST_VALUES = 3;
/** Modified z-score beyond which a value is an outlier: Iglewicz & Hoaglin (1993), How to detect and handle outliers. */
const MOST_SCORE = 3.5;
/** 0.6745 · (x − median) / MAD: the normal distribution's quartile makes the score one of standard deviations. */
const QUARTILE = 0.6745;

/**
 * Whether a value lies far outside a zone's own past, so that a person is asked before it counts: by the modified z-score of
 * Iglewicz & Hoaglin (1993) over the last values, and by more than an everyday step of its kind, as a zone that is read the
 * same every day has no scatter to be far from.
 *
 * @param past the last values that count, in the unit of `value`
 * @param everydayStep the least difference that is worth a question, in the unit of `value`, above 0
 * @returns what is usual, or null where the value is not far from it or too little is known
 */
export function farFromPast(value: number, past: readonly number[], everydayStep: number): Usual | null {
  if (past.length < LEAST_VALUES) return null;
  const median = medianOf(past);
  const off = Math.abs(value - median);
  if (off <= everydayStep) return null;
  const mad = medianOf(past.map((one) => Math.abs(one - median)));
  if (mad > 0 && (QUARTILE * off) / mad <= MOST_SCORE) return null;
  return { median, least: Math.min(...past), most: Math.max(...past) };
}

function medianOf(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  return ((sorted[Math.floor(middle)] ?? NaN) + (sorted[Math.ceil(middle) - 1] ?? NaN)) / 2;
}
