/** Chance that can be read at any instant again, from a seed alone: nothing is drawn in sequence and nothing stored. */

/** A number between 0 and 1 for a lattice point; a 32-bit mix after Chris Wellons' "hash prospector" (2018), lowbias32. */
export function chance(seed: number, channel: number, index: number): number {
  let x = (seed ^ Math.imul(channel + 1, 0x9e3779b1) ^ Math.imul(index + 1, 0x85ebca6b)) >>> 0;
  x = Math.imul(x ^ (x >>> 16), 0x7feb352d);
  x = Math.imul(x ^ (x >>> 15), 0x846ca68b);
  return ((x ^ (x >>> 16)) >>> 0) / 2 ** 32;
}

/** A standard normal number for a lattice point (Box & Muller 1958). */
export function normal(seed: number, channel: number, index: number): number {
  const radius = Math.sqrt(-2 * Math.log(1 - chance(seed, channel, 2 * index)));
  return radius * Math.cos(2 * Math.PI * chance(seed, channel, 2 * index + 1));
}

/** Normal numbers at lattice points `periodH` apart, joined smoothly and kept at unit variance: weather that persists. */
export function persistent(seed: number, channel: number, hour: number, periodH: number): number {
  const at = hour / periodH;
  const left = Math.floor(at);
  const share = at - left;
  const weight = share * share * (3 - 2 * share);
  const mixed = normal(seed, channel, left) * (1 - weight) + normal(seed, channel, left + 1) * weight;
  return mixed / Math.sqrt((1 - weight) ** 2 + weight ** 2);
}
