import { Checks } from "../working/checks.ts";
import { pipeLossKpa } from "./sub-main.ts";

/** Faster water hammers when a valve shuts, m/s. Usual practice (Keller & Bliesner 1990: 1.5 m/s, 5 ft/s). */
export const MOST_SPEED_MS = 1.5;
const MOST_LH = 1_000_000;

/**
 * Most that a pipe carries so that the valves at its end have the pressure that their lines need: no faster than 1.5 m/s, and
 * losing no more than is to spare (Darcy–Weisbach at 20 °C).
 *
 * @returns L/h, to the whole litre below
 * @throws {DomainError} for values that cannot be, all at once
 */
export function pipeCarriesLh({
  insideDiameterMm,
  lengthM,
  mostLossKpa,
}: {
  /** 5 to 500 */
  readonly insideDiameterMm: number;
  /** 0.1 to 10 000 */
  readonly lengthM: number;
  /** pressure at its beginning less the most that a valve at its end needs, 1 to 1000 */
  readonly mostLossKpa: number;
}): number {
  new Checks()
    .range("insideDiameterMm", "The pipe's inside diameter", insideDiameterMm, 5, 500, "mm")
    .range("lengthM", "The pipe's length", lengthM, 0.1, 10_000, "m")
    .range("mostLossKpa", "The pressure to spare", mostLossKpa, 1, 1000, "kPa")
    .done();
  const bySpeed = Math.PI * (insideDiameterMm / 2000) ** 2 * MOST_SPEED_MS * 3.6e6;
  let [low, high] = [0, Math.min(MOST_LH, bySpeed)];
  if (pipeLossKpa(high, lengthM, insideDiameterMm) <= mostLossKpa) return Math.floor(high);
  // Loss rises with flow everywhere.
  while (high - low > 0.5) {
    const middle = (low + high) / 2;
    if (pipeLossKpa(middle, lengthM, insideDiameterMm) <= mostLossKpa) low = middle;
    else high = middle;
  }
  return Math.floor(low);
}
