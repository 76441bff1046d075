import { Checks } from "../working/checks.ts";
import { carbonateAlkalinityMmolL, dissolvedCarbonMmolL, phWhere } from "../chemistry/carbonate.ts";
import { IONS, type Ion, type Ions } from "../chemistry/ions.ts";
import { ecMsCm } from "../chemistry/solution.ts";
import { USUAL_WATER_TEMPERATURE_C } from "./usual-waters.ts";

/** Water as a report has it, mmol/L and µmol/L. */
interface ReportedWater {
  readonly ions: Ions;
  readonly ph: number;
}

interface WaterPart extends ReportedWater {
  /** % of the mix */
  readonly sharePct: number;
}

/** Ionic strength of usual waters, mol/L: enough for the carbonate system of a mix. */
const IONIC_STRENGTH = 0.01;

/**
 * Two or more waters in one tank: ions and carbon mix in proportion, the pH follows from both.
 *
 * @param parts shares from 0 to 100 % that add up to 100
 * @throws {DomainError} when they do not
 * @see Stumm & Morgan (1996), chapter 4: alkalinity and dissolved carbon are conservative, pH is not
 */
export function mixWaters(parts: readonly WaterPart[]): ReportedWater {
  const total = parts.reduce((sum, part) => sum + part.sharePct, 0);
  new Checks()
    .when(
      Math.abs(total - 100) > 0.01,
      "not-possible",
      "waters",
      `The shares of the waters add up to ${Number(total.toFixed(2))} %, not to 100 %.`,
    )
    .done();
  const mean = (of: (part: WaterPart) => number): number =>
    parts.reduce((sum, part) => sum + (of(part) * part.sharePct) / 100, 0);
  const named = IONS.filter((ion) => parts.some((part) => part.ions[ion] !== undefined));
  const ions: Partial<Record<Ion, number>> = {};
  for (const ion of named) ions[ion] = mean((part) => part.ions[ion] ?? 0);
  const dicMmolL = mean(({ ions: own, ph }) =>
    Math.max(0, dissolvedCarbonMmolL(own.HCO3 ?? 0, ph, USUAL_WATER_TEMPERATURE_C, IONIC_STRENGTH)),
  );
  const water = { temperatureC: USUAL_WATER_TEMPERATURE_C, ionicStrength: IONIC_STRENGTH, dicMmolL };
  return { ions, ph: phWhere((ph) => carbonateAlkalinityMmolL(ph, water), ions.HCO3 ?? 0) };
}

export type MixLimit =
  { readonly kind: "ec"; readonly most: number } | { readonly kind: "ion"; readonly ion: Ion; readonly most: number };

/**
 * The largest share of one water beside another that keeps a mix within a limit.
 *
 * @returns % of `water`, 0 to 100; null when even the other water alone is beyond the limit
 */
export function largestSharePct(water: ReportedWater, other: ReportedWater, limit: MixLimit): number | null {
  const at = (sharePct: number): number => {
    const mix = mixWaters([
      { ...water, sharePct },
      { ...other, sharePct: 100 - sharePct },
    ]);
    return limit.kind === "ec" ? ecMsCm(mix.ions, mix.ph) : (mix.ions[limit.ion] ?? 0);
  };
  if (at(0) > limit.most) return null;
  if (at(100) <= limit.most) return 100;
  let [low, high] = [0, 100];
  for (let round = 0; round < 40; round++) {
    const middle = (low + high) / 2;
    if (at(middle) <= limit.most) low = middle;
    else high = middle;
  }
  return low;
}
