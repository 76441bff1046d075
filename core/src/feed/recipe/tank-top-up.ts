import { carbonateAlkalinityMmolL, phosphateShares } from "../../chemistry/carbonate.ts";
import { Checks } from "../../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";
import type { Product } from "../products/product.ts";

interface TankTopUpInput {
  /** solution in the tank after it was filled up with water, L */
  readonly litres: number;
  readonly ecMsCm: number;
  readonly ph: number;
  readonly targetEcMsCm: number;
  readonly targetPh: number;
  /** of the water that is filled in */
  readonly waterEcMsCm: number;
  /** EC of the recipe at its full strength */
  readonly recipeEcMsCm: number;
  /** litres of feed from one litre of each concentrate */
  readonly dilution: number;
  /** phosphate of the solution, mmol/L: what holds the pH once bicarbonate is gone */
  readonly phosphateMmolL: number;
  /** the acid at hand */
  readonly acid: Pick<Product, "name" | "composition" | "densityKgL">;
}

interface TankTopUp {
  /** of each concentrate, L; 0 where the tank is strong enough */
  readonly concentrateL: number;
  /** water that brings a tank that is too strong back to its EC, L */
  readonly waterL: number;
  /** acid, mL; 0 where the pH is not too high */
  readonly acidMl: number;
  /** the pH is under the target: no acid, and what to do */
  readonly tooAcid: boolean;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** A stirred tank of a usual feed is open to the air. */
const IN_AIR = { temperatureC: 20, ionicStrength: 0.02, dicMmolL: null };

/**
 * What brings a tank of solution back to its EC and pH: litres of each concentrate or of water, and mL of acid.
 *
 * Conductivities mix nearly in proportion. The pH is held by phosphate and by the bicarbonate that air keeps up; a
 * tank that was just filled with hard water holds more, so half of the acid goes in first and the pH is read again.
 *
 * @throws {DomainError} for values that cannot be
 */
export function tankTopUp(input: TankTopUpInput): TankTopUp {
  const { litres, ecMsCm, ph, targetEcMsCm, targetPh, waterEcMsCm, recipeEcMsCm, dilution, phosphateMmolL, acid } =
    input;
  new Checks()
    .positive("litres", "The solution in the tank", litres, 10_000_000, "L")
    .range("ecMsCm", "The EC in the tank", ecMsCm, 0, 20, "mS/cm")
    .range("targetEcMsCm", "The EC aimed at", targetEcMsCm, 0.1, 10, "mS/cm")
    .range("ph", "The pH in the tank", ph, 3, 10)
    .range("targetPh", "The pH aimed at", targetPh, 4, 8)
    .range("dilution", "The dilution", dilution, 1, 2000)
    .range("phosphateMmolL", "The phosphate", phosphateMmolL, 0, 20, "mmol/L")
    .when(
      !acid.composition.H || !acid.densityKgL,
      "not-possible",
      "acid",
      `${acid.name} is no liquid acid: choose one that has a density.`,
    )
    .when(
      recipeEcMsCm <= waterEcMsCm,
      "not-possible",
      "recipeEcMsCm",
      `The recipe has ${recipeEcMsCm} mS/cm and the water ${waterEcMsCm} already; check both.`,
    )
    .when(
      targetEcMsCm <= waterEcMsCm,
      "not-possible",
      "targetEcMsCm",
      `The water alone has ${waterEcMsCm} mS/cm; aim at more than that, or mix it with a softer one.`,
    )
    .done();
  const sheet = new Worksheet();
  const isWeak = ecMsCm < targetEcMsCm;
  const concentrateL = isWeak
    ? sheet.note(
        "Of each concentrate",
        "litres · (EC aimed at − EC) / (dilution · (EC of the recipe − EC of the water))",
        fill`${litres} × (${targetEcMsCm} − ${ecMsCm}) ÷ (${dilution} × (${recipeEcMsCm} − ${waterEcMsCm}))`,
        (litres * (targetEcMsCm - ecMsCm)) / (dilution * (recipeEcMsCm - waterEcMsCm)),
        "L",
        "conductivities mix nearly in proportion",
      )
    : 0;
  const waterL =
    ecMsCm > targetEcMsCm
      ? sheet.note(
          "Water to add",
          "litres · (EC − EC aimed at) / (EC aimed at − EC of the water)",
          fill`${litres} × (${ecMsCm} − ${targetEcMsCm}) ÷ (${targetEcMsCm} − ${waterEcMsCm})`,
          (litres * (ecMsCm - targetEcMsCm)) / (targetEcMsCm - waterEcMsCm),
          "L",
          "conductivities mix nearly in proportion",
        )
      : 0;
  const held = (at: number): number => {
    const { h3po4, hpo4, po4 } = phosphateShares(at, IN_AIR.ionicStrength);
    return phosphateMmolL * (hpo4 + 2 * po4 - h3po4) + carbonateAlkalinityMmolL(at, IN_AIR);
  };
  const protons = sheet.note(
    "Protons to the pH aimed at",
    "phosphate and bicarbonate at the pH − at the pH aimed at",
    fill`${held(ph)} − ${held(targetPh)}`,
    Math.max(0, held(ph) - held(targetPh)),
    "mmol/L",
    "phosphoric acid's second step; bicarbonate in balance with air",
  );
  const mmolPerMl = (acid.composition.H ?? 0) * (acid.densityKgL ?? 0);
  const acidMl = sheet.note(
    "Acid",
    "protons · litres / (protons in a gram · density)",
    fill`${protons} × ${litres} ÷ ${mmolPerMl} mmol/mL`,
    (protons * litres) / mmolPerMl,
    "mL",
    "composition of the acid",
  );
  if (acidMl > 0)
    sheet.warn(
      "Give half of the acid, stir, read the pH again, then the rest. Goggles and gloves; acid into water, never the reverse.",
    );
  if (concentrateL > 0)
    sheet.warn("Concentrates one after the other, far apart, with the pump running: A and B never meet undiluted.");
  const tooAcid = ph < targetPh - 0.2;
  if (tooAcid)
    sheet.warn(
      `At pH ${ph} the solution is too acid: give less acid or less ammonium, or potassium bicarbonate in small steps.`,
    );
  return { concentrateL, waterL, acidMl, tooAcid, warnings: sheet.warnings, working: sheet.steps };
}
