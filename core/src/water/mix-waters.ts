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

/** The water that comes of several. */
export interface MixedWater {
  /** an ion that some report leaves out counts as none of that water, but bicarbonate: without it nothing is said of the mix's */
  readonly ions: Ions;
  /** left out where bicarbonate is not known of all: the mix's pH follows from it */
  readonly ph?: number | undefined;
  /** what some report does not name, though others do or though every water holds some of it */
  readonly unmeasured: readonly Ion[];
}

/** What every water holds some of. */
const EVERYWHERE: readonly Ion[] = ["Ca", "Mg", "Na", "Cl", "SO4", "HCO3"];

interface WaterPart extends ReportedWater {
  /** % of the mix */
  readonly sharePct: number;
}

/** Ionic strength of usual waters, mol/L: enough for the carbonate system of a mix. */
const IONIC_STRENGTH = 0.01;
const NEUTRAL_PH = 7;

/**
 * Two or more waters in one tank: ions and carbon mix in proportion, the pH follows from both.
 *
 * @param parts shares from 0 to 100 % that add up to 100
 * @throws {DomainError} when they do not
 * @see Stumm & Morgan (1996), chapter 4: alkalinity and dissolved carbon are conservative, pH is not
 */
export function mixWaters(parts: readonly WaterPart[]): MixedWater {
  const total = parts.reduce((sum, part) => sum + part.sharePct, 0);
  new Checks()
    .when(
      Math.abs(total - 100) > 0.01,
      "not-possible",
      "waters",
      `The shares of the waters add up to ${Number(total.toFixed(2))} %, not to 100 %.`,
    )
    .done();
  const poured = parts.filter(({ sharePct }) => sharePct > 0);
  const named = IONS.filter((ion) => poured.some((part) => part.ions[ion] !== undefined));
  const unmeasured = IONS.filter(
    (ion) => (named.includes(ion) || EVERYWHERE.includes(ion)) && poured.some((part) => part.ions[ion] === undefined),
  );
  const [only, ...more] = poured;
  if (only && more.length === 0) return { ions: only.ions, ph: only.ph, unmeasured };
  const mean = (of: (part: WaterPart) => number): number =>
    poured.reduce((sum, part) => sum + (of(part) * part.sharePct) / 100, 0);
  const ions: Partial<Record<Ion, number>> = {};
  for (const ion of named) ions[ion] = mean((part) => part.ions[ion] ?? 0);
  if (unmeasured.includes("HCO3")) {
    delete ions.HCO3;
    return { ions, unmeasured };
  }
  const dicMmolL = mean(({ ions: own, ph }) =>
    Math.max(0, dissolvedCarbonMmolL(own.HCO3 ?? 0, ph, USUAL_WATER_TEMPERATURE_C, IONIC_STRENGTH)),
  );
  const water = { temperatureC: USUAL_WATER_TEMPERATURE_C, ionicStrength: IONIC_STRENGTH, dicMmolL };
  return { ions, ph: phWhere((ph) => carbonateAlkalinityMmolL(ph, water), ions.HCO3 ?? 0), unmeasured };
}

/** mS/cm at 25 °C of what is known of a water; a pH that is not known moves it by next to nothing. */
export function waterEcMsCm({ ions, ph }: Pick<MixedWater, "ions" | "ph">): number {
  return ecMsCm(ions, ph ?? NEUTRAL_PH);
}

export type MixLimit =
  { readonly kind: "ec"; readonly most: number } | { readonly kind: "ion"; readonly ion: Ion; readonly most: number };

/**
 * The largest share of one water beside another that keeps a mix within a limit.
 *
 * @returns % of `water`, 0 to 100; null when even the other water alone is beyond the limit, or a report leaves out what is limited
 */
export function largestSharePct(water: ReportedWater, other: ReportedWater, limit: MixLimit): number | null {
  if (limit.kind === "ion" && [water, other].some(({ ions }) => ions[limit.ion] === undefined)) return null;
  const at = (sharePct: number): number => {
    const mix = mixWaters([
      { ...water, sharePct },
      { ...other, sharePct: 100 - sharePct },
    ]);
    return limit.kind === "ec" ? waterEcMsCm(mix) : (mix.ions[limit.ion] ?? 0);
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
