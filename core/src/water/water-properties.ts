/** Standard gravity, m/s². ISO 80000-3. */
export const GRAVITY_MS2 = 9.80665;

/**
 * Density of pure water at the pressure of the air.
 *
 * @param temperatureC °C, 0 to 50
 * @returns kg/m³
 * @see McCutcheon, Martin & Barnwell (1993), Handbook of Hydrology, eq. 11.1
 * @example waterDensityKgM3(20) // ≈ 998.2
 */
export function waterDensityKgM3(temperatureC: number): number {
  const t = temperatureC;
  return 1000 * (1 - ((t + 288.9414) * (t - 3.9863) ** 2) / (508929.2 * (t + 68.12963)));
}

/**
 * Kinematic viscosity of water.
 *
 * @param temperatureC °C, 0 to 50
 * @returns m²/s, within 2.5 %
 * @see Al-Shemmeri (2012), Engineering Fluid Mechanics: µ = 2.414·10⁻⁵ · 10^(247.8 / (T − 140))
 * @example waterViscosityM2S(20) // ≈ 1.004e-6
 */
export function waterViscosityM2S(temperatureC: number): number {
  return (2.414e-5 * 10 ** (247.8 / (temperatureC + 273.15 - 140))) / waterDensityKgM3(temperatureC);
}
