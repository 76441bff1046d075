import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";
import { NONE, type MainAmounts } from "./nutrients.ts";
import {
  checkDoseNeed,
  type Amounts,
  type DoseNeedInput,
  type Nutrient,
  type OrganicDressing,
  type SoilLayer,
} from "./need-input.ts";

export interface Credit extends MainAmounts {
  readonly kind: "soil" | "organic" | "water" | "digestate" | "coated" | "fixation" | "residues";
  /** in words */
  readonly from: string;
}

export interface DoseNeed {
  readonly uptakeKgHa: Amounts;
  readonly credits: readonly Credit[];
  readonly toGiveKgHa: Amounts;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/**
 * What a field is to be given for a yield: what the crop takes up, less what soil, dressings, water, residues and fixation bring,
 * by the share of it that the crop gets. P and K are elements.
 *
 * @throws {DomainError} for values that cannot be, all at once
 * @see Pratt, Broadbent & Martin (1973), California Agriculture 27(6):10–13, for the decay series of organic nitrogen
 */
export function doseNeed(input: DoseNeedInput): DoseNeed {
  const asked = checkDoseNeed(input);
  const sheet = new Worksheet();
  const { yieldTHa, removalKgT, efficiencyPct } = input;
  const uptakeKgHa = amountsOf(asked, (nutrient) => {
    const removal = removalKgT[nutrient] ?? 0;
    return sheet.note(
      `Uptake of ${nutrient}`,
      "yield · removal",
      fill`${yieldTHa} t/ha × ${removal} kg/t`,
      yieldTHa * removal,
      "kg/ha",
      "removal as given",
    );
  });
  const credits = creditsOf(input, sheet);
  const toGiveKgHa = amountsOf(asked, (nutrient) => {
    const uptake = uptakeKgHa[nutrient] ?? 0;
    const credited =
      nutrient === "Ca" || nutrient === "Mg" ? 0 : credits.reduce((sum, credit) => sum + credit[nutrient], 0);
    const efficiency = (efficiencyPct[nutrient] ?? 100) / 100;
    const factor = nutrient === "P" || nutrient === "K" ? (input.soilFactor?.[nutrient] ?? 1) : 1;
    if (credited > uptake && uptake > 0)
      sheet.warn(
        `What is credited of ${nutrient}, ${credited.toFixed(0)} kg/ha, is more than the crop takes up, ${uptake.toFixed(0)} kg/ha: none is to be given.`,
      );
    return sheet.note(
      `${nutrient} to give`,
      factor === 1
        ? "(uptake − credits, at least 0) ÷ efficiency"
        : "(uptake · soil − credits, at least 0) ÷ efficiency",
      factor === 1
        ? fill`(${uptake} − ${credited}) ÷ ${efficiency}`
        : fill`(${uptake} × ${factor} − ${credited}) ÷ ${efficiency}`,
      Math.max(0, uptake * factor - credited) / efficiency,
      "kg/ha",
      "nutrient balance",
    );
  });
  return { uptakeKgHa, credits, toGiveKgHa, warnings: sheet.warnings, working: sheet.steps };
}

function amountsOf(asked: readonly Nutrient[], of: (nutrient: Nutrient) => number): Amounts {
  return Object.fromEntries(asked.map((nutrient) => [nutrient, of(nutrient)])) as unknown as Amounts;
}

function creditsOf({ credits = {} }: DoseNeedInput, sheet: Worksheet): Credit[] {
  const {
    soilMineralN = [],
    testedSoil = [],
    organic = [],
    water,
    digestate = [],
    coated = [],
    fixationKgHa,
    residuesKgHa,
  } = credits;
  const found: Credit[] = soilMineralN.map((layer) => ({
    kind: "soil",
    from: `soil, ${layer.fromCm} to ${layer.toCm} cm`,
    ...NONE,
    N: layerN(layer, sheet),
  }));
  for (const { depthCm, kgHa } of testedSoil) {
    found.push({ kind: "soil", from: depthCm ? `soil, ${depthCm[0]} to ${depthCm[1]} cm` : "soil", ...NONE, N: kgHa });
  }
  organic.forEach((dressing, at) => {
    found.push({
      kind: "organic",
      from: `${dressing.name ?? `organic dressing ${at + 1}`}${dressing.yearsAgo > 0 ? `, ${dressing.yearsAgo} years ago` : ""}`,
      ...organicOf(dressing, at, sheet),
    });
  });
  if (water) found.push({ kind: "water", from: "water", ...waterOf(water, sheet) });
  for (const { from, kgHa } of digestate) found.push({ kind: "digestate", from, ...kgHa });
  for (const { from, kgHa } of coated) found.push({ kind: "coated", from, ...kgHa });
  if (fixationKgHa !== undefined) found.push({ kind: "fixation", from: "fixation", ...NONE, N: fixationKgHa });
  if (residuesKgHa !== undefined) found.push({ kind: "residues", from: "residues", ...NONE, N: residuesKgHa });
  return found;
}

function layerN({ fromCm, toCm, mgKg, bulkDensityKgL, rootedPct = 100 }: SoilLayer, sheet: Worksheet): number {
  // 1 cm of soil on a hectare is 100 m³, or 100 000 kg for each kg/L; a mg of each kg is 0.1 kg
  return sheet.note(
    `Mineral N in ${fromCm} to ${toCm} cm`,
    "mg/kg · bulk density · depth ÷ 10 · rooted share",
    fill`${mgKg} × ${bulkDensityKgL} × ${toCm - fromCm} ÷ 10 × ${rootedPct / 100}`,
    ((mgKg * bulkDensityKgL * (toCm - fromCm)) / 10) * (rootedPct / 100),
    "kg/ha",
    "soil test; 1 cm of 1 kg/L is 100 t/ha",
  );
}

function organicOf(
  { tHa, nPct, pPct = 0, kPct = 0, nDecayPct, yearsAgo }: OrganicDressing,
  at: number,
  sheet: Worksheet,
): MainAmounts {
  const totalN = tHa * nPct * 10;
  const share = (year: number): number => (nDecayPct[Math.min(year, nDecayPct.length - 1)] ?? 0) / 100;
  if (yearsAgo >= nDecayPct.length)
    sheet.warn(
      `The series of organic dressing ${at + 1} ends before its year: its last figure, ${nDecayPct.at(-1) ?? 0} %, goes on.`,
    );
  let left = totalN;
  for (let year = 0; year < yearsAgo; year++) left *= 1 - share(year);
  const nitrogen = sheet.note(
    `N set free from organic dressing ${at + 1}`,
    "what is left of its N · this year's share",
    fill`${left} × ${share(yearsAgo)}, of ${totalN} kg/ha spread`,
    left * share(yearsAgo),
    "kg/ha",
    "Pratt, Broadbent & Martin (1973), the form; series as given",
  );
  const now = yearsAgo === 0 ? tHa * 10 : 0;
  return { N: nitrogen, P: now * pPct, K: now * kPct };
}

function waterOf(
  {
    mm,
    no3NMgL = 0,
    kMgL = 0,
  }: { readonly mm: number; readonly no3NMgL?: number | undefined; readonly kMgL?: number | undefined },
  sheet: Worksheet,
): MainAmounts {
  const brought = (name: string, mgL: number): number =>
    mgL === 0
      ? 0
      : sheet.note(
          `${name} in the water`,
          "mm · mg/L ÷ 100",
          fill`${mm} × ${mgL} ÷ 100`,
          (mm * mgL) / 100,
          "kg/ha",
          "1 mm is 10 m³/ha",
        );
  return { ...NONE, N: brought("Nitrate N", no3NMgL), K: brought("K", kMgL) };
}
