/** g/mol. IUPAC (2021), abridged standard atomic weights. */
const ATOMIC_WEIGHTS: Readonly<Record<string, number>> = {
  H: 1.008,
  B: 10.81,
  C: 12.011,
  N: 14.007,
  O: 15.999,
  Na: 22.99,
  Mg: 24.305,
  Si: 28.085,
  P: 30.974,
  S: 32.06,
  Cl: 35.45,
  K: 39.098,
  Ca: 40.078,
  Mn: 54.938,
  Fe: 55.845,
  Cu: 63.546,
  Zn: 65.38,
  Mo: 95.95,
};

/**
 * Atoms in a chemical formula with brackets and waters of crystallisation.
 *
 * @throws {Error} for a formula that cannot be read: formulas stand in code, so that is a bug
 * @example atomsOf("Ca(NO3)2·4H2O") // { Ca: 1, N: 2, O: 10, H: 8 }
 */
export function atomsOf(formula: string): Readonly<Record<string, number>> {
  const atoms: Record<string, number> = {};
  for (const part of formula.split("·")) {
    const [, times = "", rest = ""] = /^(\d*)(.*)$/.exec(part) ?? [];
    for (const [element, count] of readGroup(rest)) atoms[element] = (atoms[element] ?? 0) + count * Number(times || 1);
  }
  return atoms;
}

function readGroup(text: string): [string, number][] {
  const found: [string, number][] = [];
  let rest = text;
  while (rest !== "") {
    const bracket = /^\(([^()]*)\)(\d*)/.exec(rest);
    const atom = /^([A-Z][a-z]?)(\d*)/.exec(rest);
    const match = bracket ?? atom;
    if (!match) throw new Error(`cannot read the formula at "${rest}"`);
    const times = Number((match[2] ?? "") || 1);
    if (bracket) for (const [element, count] of readGroup(match[1] ?? "")) found.push([element, count * times]);
    else found.push([match[1] ?? "", times]);
    rest = rest.slice(match[0].length);
  }
  return found;
}

/**
 * Molar mass of a formula.
 *
 * @returns g/mol
 * @example molarMassG("KNO3") // ≈ 101.10
 */
export function molarMassG(formula: string): number {
  return Object.entries(atomsOf(formula)).reduce((sum, [element, count]) => {
    const weight = ATOMIC_WEIGHTS[element];
    if (weight === undefined) throw new Error(`no atomic weight of ${element}`);
    return sum + count * weight;
  }, 0);
}
