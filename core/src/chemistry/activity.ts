/** Davies' extension of the Debye–Hückel law, for feed strength and below; it does not hold in concentrates. */

/** At 25 °C; the change with temperature is below a hundredth in log γ at feed strength. */
const DAVIES_A = 0.509;

/**
 * Activity coefficient of an ion.
 *
 * @param ionicStrength mol/L, up to about 0.5
 * @see Davies (1962), Ion Association, with 0.3 as the linear coefficient
 */
export function activityCoefficient(charge: number, ionicStrength: number): number {
  const root = Math.sqrt(ionicStrength);
  return 10 ** (-DAVIES_A * charge ** 2 * (root / (1 + root) - 0.3 * ionicStrength));
}
