import { Checks } from "../working/checks.ts";
import {
  carbonateAlkalinityMmolL,
  dissolvedCarbonMmolL,
  phosphateShares,
  phWhere,
  type CarbonateWater,
} from "../chemistry/carbonate.ts";
import { molarMassG } from "../chemistry/formula.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";

type Acid = "HNO3" | "H3PO4" | "H2SO4";

export interface AcidInput {
  /** alkalinity as HCO₃, 0 to 30 mmol/L */
  readonly alkalinityMmolL: number;
  /** of the water as it comes, 4.5 to 10.5 */
  readonly ph: number;
  /** exactly one of these two; the pH of the closed line, or of the degassed water when `open` */
  readonly targetPh?: number | undefined;
  readonly leaveAlkalinityMmolL?: number | undefined;
  /** 0 to 50 °C; 25 when left out, and said so */
  readonly temperatureC?: number | undefined;
  readonly acid: Acid;
  /** mass per cent */
  readonly acidStrengthPct?: number | undefined;
  readonly acidDensityKgL?: number | undefined;
  readonly open?: boolean | undefined;
}

export interface AcidAnswer {
  readonly acidMmolL: number;
  readonly phInLine: number;
  readonly phDegassed: number;
  readonly acidMlM3?: number;
  readonly residualAlkalinityMmolL: number;
  readonly addedNutrientMgL: { readonly N?: number; readonly P?: number; readonly S?: number };
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

const NUTRIENT: Readonly<Record<Acid, "N" | "P" | "S">> = { HNO3: "N", H3PO4: "P", H2SO4: "S" };
/** Second dissociation of sulphuric acid at 25 °C. Martell & Smith (1976). */
const HSO4_PK = 1.99;

/** Protons that one mole of an acid gives off at a pH. */
function protonsGiven(acid: Acid, ph: number, ionicStrength: number): number {
  if (acid === "HNO3") return 1;
  if (acid === "H2SO4") return 1 + 1 / (1 + 10 ** (HSO4_PK - ph));
  const { h2po4, hpo4, po4 } = phosphateShares(ph, ionicStrength);
  return h2po4 + 2 * hpo4 + 3 * po4;
}

/**
 * Acid for a water: to reach a pH, or to leave so much bicarbonate. The carbonate system closed and open to the air.
 *
 * Moles are of acid. A target that lies above what the water has already is no acid and a warning.
 *
 * @throws {DomainError} for values that cannot be
 * @see Stumm & Morgan (1996), Aquatic Chemistry, chapter 4; constants of Plummer & Busenberg (1982)
 */
export function acidForWater(input: AcidInput): AcidAnswer {
  checkInput(input);
  const { alkalinityMmolL, ph, acid, open = false } = input;
  const sheet = new Worksheet();
  if (input.temperatureC === undefined) sheet.warn("No temperature was given: 25 °C is taken.");
  const temperatureC = input.temperatureC ?? 25;
  // Bicarbonate waters are mostly calcium's: two bicarbonates with one calcium have I = 1.5 · alkalinity. Acid replaces bicarbonate by its own anion.
  const ionicStrength = (1.5 * alkalinityMmolL) / 1000;
  const dic = dissolvedCarbonMmolL(alkalinityMmolL, ph, temperatureC, ionicStrength);
  new Checks()
    .when(
      dic < -1e-6,
      "not-possible",
      "alkalinityMmolL",
      `Water of pH ${ph} cannot have an alkalinity as low as ${alkalinityMmolL} mmol/L; check both.`,
    )
    .done();
  const closed: CarbonateWater = { temperatureC, ionicStrength, dicMmolL: Math.max(0, dic) };
  const air: CarbonateWater = { temperatureC, ionicStrength, dicMmolL: null };
  sheet.note(
    "Dissolved carbon",
    "DIC from alkalinity and pH",
    fill`${alkalinityMmolL} mmol/L at pH ${ph} and ${temperatureC} °C`,
    Math.max(0, dic),
    "mmol/L",
    "Plummer & Busenberg (1982); Davies activities",
  );
  const balance = (moles: number, water: CarbonateWater) => (at: number) =>
    carbonateAlkalinityMmolL(at, water) + moles * protonsGiven(acid, at, ionicStrength);
  const phAfter = (moles: number, water: CarbonateWater): number => phWhere(balance(moles, water), alkalinityMmolL);
  const acidMmolL = acidNeeded(input, open ? air : closed, ionicStrength, sheet);
  const phInLine = acidMmolL === 0 ? ph : phAfter(acidMmolL, closed);
  const phDegassed = phAfter(acidMmolL, air);
  const residual = acidMmolL === 0 ? alkalinityMmolL : carbonateAlkalinityMmolL(phInLine, closed);
  const nutrient = NUTRIENT[acid];
  warnOfResidual(residual, acidMmolL, phInLine, sheet);
  const { acidStrengthPct, acidDensityKgL } = input;
  const acidMlM3 =
    acidStrengthPct === undefined || acidDensityKgL === undefined
      ? undefined
      : sheet.note(
          "Volume of the acid",
          "moles · molar mass / (strength · density)",
          fill`${acidMmolL} × ${molarMassG(acid)} ÷ (${acidStrengthPct / 100} × ${acidDensityKgL})`,
          (acidMmolL * molarMassG(acid)) / ((acidStrengthPct / 100) * acidDensityKgL),
          "mL/m³",
          "1 mmol/L is 1 mol/m³",
        );
  return {
    acidMmolL,
    phInLine,
    phDegassed,
    ...(acidMlM3 !== undefined && { acidMlM3 }),
    residualAlkalinityMmolL: residual,
    addedNutrientMgL: { [nutrient]: acidMmolL * molarMassG(nutrient) },
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

function acidNeeded(
  { alkalinityMmolL, ph, targetPh, leaveAlkalinityMmolL, acid }: AcidInput,
  water: CarbonateWater,
  ionicStrength: number,
  sheet: Worksheet,
): number {
  if (targetPh !== undefined) {
    const own = water.dicMmolL === null ? phWhere((at) => carbonateAlkalinityMmolL(at, water), alkalinityMmolL) : ph;
    if (targetPh >= own) {
      sheet.warn(`The target pH of ${targetPh} is not below the water's own ${own.toFixed(2)}: no acid is needed.`);
      return 0;
    }
    const left = carbonateAlkalinityMmolL(targetPh, water);
    const each = protonsGiven(acid, targetPh, ionicStrength);
    return sheet.note(
      "Acid",
      "(alkalinity − alkalinity left at the target pH) / protons of a mole there",
      fill`(${alkalinityMmolL} − ${left}) ÷ ${each}`,
      (alkalinityMmolL - left) / each,
      "mmol/L",
      water.dicMmolL === null ? "water in balance with air of 420 ppm CO₂" : "closed line: the carbon stays in",
    );
  }
  const leave = leaveAlkalinityMmolL ?? NaN;
  if (leave >= alkalinityMmolL) {
    sheet.warn(
      `The water has ${alkalinityMmolL} mmol/L of bicarbonate, no more than what is to be left: no acid is needed.`,
    );
    return 0;
  }
  // What is left fixes the pH in the line, and that how many protons a mole of acid gives off there.
  const endPh = phWhere((at) => carbonateAlkalinityMmolL(at, water), leave);
  const each = protonsGiven(acid, endPh, ionicStrength);
  const moles = (alkalinityMmolL - leave) / each;
  return sheet.note(
    "Acid",
    "(alkalinity − what is to be left) / protons of a mole at the end",
    fill`(${alkalinityMmolL} − ${leave}) ÷ ${each}`,
    moles,
    "mmol/L",
    "one proton takes one bicarbonate",
  );
}

function warnOfResidual(residual: number, acidMmolL: number, phInLine: number, sheet: Worksheet): void {
  if (acidMmolL > 0)
    sheet.warn(
      "Wear goggles and gloves. Add acid to water, never water to acid; keep acid apart from chelates and from the other concentrate.",
    );
  if (acidMmolL > 0 && residual < 0.2)
    sheet.warn(
      `Hardly any buffer is left (${residual.toFixed(2)} mmol/L): a small error of the dose swings the pH from here.`,
    );
  if (phInLine < 4.5) sheet.warn(`pH ${phInLine.toFixed(1)} harms roots and lines.`);
}

function checkInput(input: AcidInput): void {
  const both = input.targetPh !== undefined && input.leaveAlkalinityMmolL !== undefined;
  const none = input.targetPh === undefined && input.leaveAlkalinityMmolL === undefined;
  new Checks()
    .range("alkalinityMmolL", "Alkalinity", input.alkalinityMmolL, 0, 30, "mmol/L")
    .range("ph", "The water's pH", input.ph, 4.5, 10.5)
    .range("targetPh", "The target pH", input.targetPh, 3, 9)
    .range("leaveAlkalinityMmolL", "The bicarbonate to be left", input.leaveAlkalinityMmolL, 0, 30, "mmol/L")
    .range("temperatureC", "Temperature", input.temperatureC, 0, 50, "°C")
    .range("acidStrengthPct", "The acid's strength", input.acidStrengthPct, 1, 100, "%")
    .range("acidDensityKgL", "The acid's density", input.acidDensityKgL, 0.95, 2, "kg/L")
    .when(
      both,
      "not-possible",
      "targetPh",
      "Give either a target pH or the bicarbonate to be left, not both: one rules the other.",
    )
    .when(none, "missing", "targetPh", "Give a target pH, or the bicarbonate that is to be left.")
    .when(
      input.open === true && input.targetPh === undefined,
      "not-possible",
      "open",
      "“open” goes with a target pH: bicarbonate is left in the line, whatever the air does later.",
    )
    .done();
}
