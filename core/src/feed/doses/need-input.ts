import { Checks } from "../../working/checks.ts";
import { MAIN, type MainAmounts } from "./nutrients.ts";

const NUTRIENTS = [...MAIN, "Ca", "Mg"] as const;
export type Nutrient = (typeof NUTRIENTS)[number];
/** Calcium and magnesium only where they are asked for. */
export type Amounts = MainAmounts & Readonly<Partial<Record<"Ca" | "Mg", number>>>;
type AskedAmounts = MainAmounts & Readonly<Partial<Record<"Ca" | "Mg", number | undefined>>>;

export interface SoilLayer {
  readonly fromCm: number;
  readonly toCm: number;
  /** mineral nitrogen, mg of N per kg of dry soil */
  readonly mgKg: number;
  readonly bulkDensityKgL: number;
  /** share of the layer that roots reach, %; all of it when left out */
  readonly rootedPct?: number | undefined;
}

/** Mineral nitrogen that a test told in kg/ha. */
interface TestedSoil {
  /** of the layer that was tested; null where nobody said */
  readonly depthCm: readonly [number, number] | null;
  readonly kgHa: number;
}

export interface OrganicDressing {
  /** by which it is told; its place in the list when left out */
  readonly name?: string | undefined;
  readonly tHa: number;
  /** as elements, % of what was spread */
  readonly nPct: number;
  readonly pPct?: number | undefined;
  readonly kPct?: number | undefined;
  /** nitrogen set free in each year, % of what was left the year before */
  readonly nDecayPct: readonly number[];
  /** 0 in the year of spreading */
  readonly yearsAgo: number;
}

export interface DoseNeedInput {
  readonly yieldTHa: number;
  /** kg of the element in a tonne of yield, with what leaf and stem take up for it */
  readonly removalKgT: AskedAmounts;
  /** share of what is given that the crop takes up */
  readonly efficiencyPct: AskedAmounts;
  /** times what is taken up, by what the soil has of it; 1 when left out */
  readonly soilFactor?: { readonly P: number; readonly K: number } | undefined;
  readonly credits?:
    | {
        readonly soilMineralN?: readonly SoilLayer[] | undefined;
        readonly testedSoil?: readonly TestedSoil[] | undefined;
        readonly organic?: readonly OrganicDressing[] | undefined;
        readonly water?:
          | { readonly mm: number; readonly no3NMgL?: number | undefined; readonly kMgL?: number | undefined }
          | undefined;
        /** that was given already beside the doses, as digestate or reclaimed water: what of it the crop can use at once */
        readonly digestate?: readonly { readonly from: string; readonly kgHa: MainAmounts }[] | undefined;
        /** that coated grains set free within the season */
        readonly coated?: readonly { readonly from: string; readonly kgHa: MainAmounts }[] | undefined;
        readonly fixationKgHa?: number | undefined;
        readonly residuesKgHa?: number | undefined;
      }
    | undefined;
}

/**
 * Refuses what no field can be, all of it at once.
 *
 * @throws {DomainError} with every value that is out of its range
 * @returns the nutrients that are asked for
 */
export function checkDoseNeed({
  yieldTHa,
  removalKgT,
  efficiencyPct,
  soilFactor,
  credits = {},
}: DoseNeedInput): readonly Nutrient[] {
  const checks = new Checks().positive("yieldTHa", "The yield aimed at", yieldTHa, 1500, "t/ha");
  const asked = NUTRIENTS.filter((nutrient) => removalKgT[nutrient] !== undefined);
  for (const nutrient of asked)
    checks
      .range(`removalKgT.${nutrient}`, `The removal of ${nutrient}`, removalKgT[nutrient], 0, 100, "kg/t")
      .present(`efficiencyPct.${nutrient}`, `The efficiency of ${nutrient}`, efficiencyPct[nutrient])
      .range(`efficiencyPct.${nutrient}`, `The efficiency of ${nutrient}`, efficiencyPct[nutrient], 1, 100, "%");
  credits.soilMineralN?.forEach(({ fromCm, toCm, mgKg, bulkDensityKgL, rootedPct }, at) => {
    const path = `credits.soilMineralN.${at}`;
    checks
      .range(`${path}.fromCm`, "The top of the layer", fromCm, 0, 300, "cm")
      .range(`${path}.toCm`, "The bottom of the layer", toCm, 0, 300, "cm")
      .when(
        toCm <= fromCm,
        "not-possible",
        `${path}.toCm`,
        `The layer must end below its top: ${fromCm} to ${toCm} cm is no layer.`,
      )
      .range(`${path}.mgKg`, "The mineral nitrogen", mgKg, 0, 500, "mg/kg")
      .range(`${path}.bulkDensityKgL`, "The bulk density", bulkDensityKgL, 0.1, 2, "kg/L")
      .range(`${path}.rootedPct`, "The rooted share", rootedPct, 0, 100, "%");
  });
  for (const nutrient of ["P", "K"] as const)
    checks.range(`soilFactor.${nutrient}`, `The soil's factor of ${nutrient}`, soilFactor?.[nutrient], 0, 3);
  credits.testedSoil?.forEach(({ kgHa }, at) =>
    checks.range(`credits.testedSoil.${at}.kgHa`, "The mineral nitrogen", kgHa, 0, 5000, "kg/ha"),
  );
  credits.organic?.forEach(({ tHa, nPct, pPct, kPct, nDecayPct, yearsAgo }, at) => {
    const path = `credits.organic.${at}`;
    checks
      .range(`${path}.tHa`, "The dressing", tHa, 0, 500, "t/ha")
      .range(`${path}.nPct`, "Its nitrogen", nPct, 0, 20, "%")
      .range(`${path}.pPct`, "Its phosphorus", pPct, 0, 20, "%")
      .range(`${path}.kPct`, "Its potassium", kPct, 0, 30, "%")
      .range(`${path}.yearsAgo`, "The years since it was spread", yearsAgo, 0, 50)
      .when(
        !Number.isInteger(yearsAgo),
        "not-possible",
        `${path}.yearsAgo`,
        `The years since it was spread must be whole, not ${yearsAgo}.`,
      )
      .when(
        nDecayPct.length === 0,
        "missing",
        `${path}.nDecayPct`,
        "A decay series needs at least the share of the first year.",
      );
    nDecayPct.forEach((pct, year) =>
      checks.range(`${path}.nDecayPct.${year}`, "The share that is set free in a year", pct, 0, 100, "%"),
    );
  });
  checks
    .range("credits.water.mm", "The water", credits.water?.mm, 0, 5000, "mm")
    .range("credits.water.no3NMgL", "Its nitrate N", credits.water?.no3NMgL, 0, 500, "mg/L")
    .range("credits.water.kMgL", "Its potassium", credits.water?.kMgL, 0, 1000, "mg/L")
    .range("credits.fixationKgHa", "What is fixed", credits.fixationKgHa, 0, 500, "kg/ha")
    .range("credits.residuesKgHa", "What residues bring", credits.residuesKgHa, 0, 500, "kg/ha")
    .done();
  return asked;
}
