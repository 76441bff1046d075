import { Checks } from "../../working/checks.ts";

interface TankUse {
  /** what stood in the tank once it was mixed, L */
  readonly mixedL: number;
  /** feed from one litre of the tank, 1 for a tank of ready feed */
  readonly dilution: number;
  /** feed given since the mix, L */
  readonly givenL: number;
}

/**
 * What is left in a tank after a mix: each litre of feed takes 1/dilution of it, as a doser set to 1 : (dilution − 1) or an
 * injector of that ratio does. Conservation of volume; what the doser really draws shows at the dripper's EC.
 *
 * @returns L, never under none
 * @throws DomainError for a level under 0, a dilution under 1 or a negative amount given
 */
export function tankLeftL({ mixedL, dilution, givenL }: TankUse): number {
  new Checks()
    .range("mixedL", "What stood in the tank", mixedL, 0, 1e6, "L")
    .range("dilution", "The dilution", dilution, 1, 1000, "L of feed from one")
    .range("givenL", "The feed given", givenL, 0, 1e9, "L")
    .done();
  return Math.max(0, mixedL - givenL / dilution);
}

/**
 * Whole days on which a tank still feeds a zone.
 *
 * @param feedL litres of feed on each day ahead, the first one today; beyond them their mean goes on
 * @returns null where nothing is fed
 */
export function tankDaysLeft(levelL: number, dilution: number, feedL: readonly number[]): number | null {
  const total = feedL.reduce((sum, litres) => sum + litres, 0);
  if (total <= 0) return null;
  let left = levelL * dilution;
  for (const [day, litres] of feedL.entries()) {
    if (left < litres) return day;
    left -= litres;
  }
  return feedL.length + Math.floor(left / (total / feedL.length));
}
