import { ecMsCm } from "../../chemistry/solution.ts";
import type { Ion, Ions } from "../../chemistry/ions.ts";
import { Checks } from "../../working/checks.ts";

const LEAST_EC = 0.1;
const MOST_EC = 10;
/** Halvings of the span in which the factor lies: to a millionth of it. */
const HALVINGS = 40;
const MOST_FACTOR = 100;

/**
 * A target at another strength: every ion in the same proportion, so that the solution has the conductivity asked for.
 *
 * @param ions mmol/L, µmol/L for trace elements; some with a charge
 * @param ph 4 to 8
 * @param ec mS/cm at 25 °C, 0.1 to 10
 * @throws {DomainError} for a strength outside that, or ions that carry no current
 * @see EC from ions as everywhere here, `chemistry/solution.ts`; it grows less than the ions do, so the factor is searched
 */
export function atStrength(ions: Ions, ph: number, ec: number): Ions {
  const scaled = (factor: number): Ions =>
    Object.fromEntries(Object.entries(ions).map(([ion, amount]) => [ion as Ion, amount * factor]));
  new Checks()
    .range("ecMsCm", "The strength", ec, LEAST_EC, MOST_EC, "mS/cm")
    .when(
      ecMsCm(scaled(MOST_FACTOR), ph) < ec,
      "not-possible",
      "ions",
      "A target without ions has no strength that could be changed.",
    )
    .done();
  let [low, high] = [0, MOST_FACTOR];
  for (let step = 0; step < HALVINGS; step++) {
    const middle = (low + high) / 2;
    if (ecMsCm(scaled(middle), ph) < ec) low = middle;
    else high = middle;
  }
  return scaled((low + high) / 2);
}
