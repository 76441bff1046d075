import { airPressureKpa, psychrometricConstantKpaC, vapourPressureSlopeKpaC } from "./air.ts";

/** Share of the light that wet substrate takes up. Usual albedo of wet peat, 0.1 to 0.2. */
const TAKEN_UP = 0.85;

/**
 * Evaporation from a wet surface in an hour, mm. Long-wave exchange, small under a cover or between pots, is left out.
 *
 * @param solarMjM2 light that falls on it in the hour, MJ/m²
 * @param temperatureC °C of the air
 * @see Priestley & Taylor (1972), Monthly Weather Review 100:81–92; Δ and γ by FAO-56, eq. 13 and 8
 */
export function wetSurfaceMm(solarMjM2: number, temperatureC: number, elevationM: number): number {
  const slope = vapourPressureSlopeKpaC(temperatureC);
  const gamma = psychrometricConstantKpaC(airPressureKpa(elevationM));
  return (1.26 * slope * TAKEN_UP * solarMjM2) / ((slope + gamma) * 2.45);
}
