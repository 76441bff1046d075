import { Checks } from "../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";

/** What a laboratory found in a digestate or reclaimed water, mg/L. */
export interface OrganicAnalysis {
  readonly suspendedSolidsMgL: number;
  readonly nh4NMgL: number;
  readonly organicNMgL: number;
  readonly pMgL: number;
  readonly kMgL: number;
  readonly ecMsCm: number;
}

export interface OrganicDosingInput {
  readonly analysis: OrganicAnalysis;
  readonly areaM2: number;
  /** fresh mass to be taken off, t/ha */
  readonly yieldTHa: number;
  /** kg in a tonne of what is taken off */
  readonly removal: { readonly nKgT: number; readonly pKgT: number };
  /** share of the organic nitrogen that the crop can still use, % */
  readonly mineralisedPct: number;
  /** of this planting, m³ */
  readonly givenM3: number;
  /** doses that are still to come */
  readonly doses: number;
  /** EC of the water that it is mixed with, and the most at the drippers, mS/cm */
  readonly freshEcMsCm: number;
  readonly mostEcMsCm: number;
  /** narrowest way through the emitter, mm */
  readonly passageMm: number;
}

export interface OrganicDosing {
  /** m³ that the crop's nitrogen and phosphorus removal allow in all */
  readonly nCapM3: number;
  readonly pCapM3: number;
  readonly boundBy: "nitrogen" | "phosphorus";
  readonly leftM3: number;
  readonly doseL: number;
  /** parts of fresh water on one part */
  readonly dilution: number;
  /** opening of the filter, µm, and the sieve that has it */
  readonly filterUm: number;
  readonly mesh: number;
  /** brought by all that may still be given, kg/ha */
  readonly bringsKgHa: { readonly n: number; readonly p: number; readonly k: number };
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** Sieves and their openings, µm. ASTM E11. */
const SIEVES: readonly (readonly [mesh: number, um: number])[] = [
  [20, 850],
  [30, 600],
  [40, 425],
  [50, 300],
  [60, 250],
  [80, 180],
  [100, 150],
  [120, 125],
  [140, 106],
  [170, 90],
  [200, 75],
  [270, 53],
];
/** What is larger than a tenth of the passage bridges it. Nakayama & Bucks (1986), Trickle Irrigation, chapter 3. */
const PASSAGE_SHARE = 0.1;
/** Above so much suspended matter a filter alone does not hold. Bucks, Nakayama & Gilbert (1979): severe from 100 mg/L. */
const SEVERE_SOLIDS_MG_L = 100;

/**
 * How much of a digestate or reclaimed water a crop may get, how it is mixed, and how fine it is filtered.
 *
 * Nitrogen and phosphorus are capped by what the crop takes off the field; the smaller cap rules, less what was given.
 *
 * @throws {DomainError} for values that cannot be, and for a water saltier than the drippers may get
 */
export function organicDosing(input: OrganicDosingInput): OrganicDosing {
  const { analysis, areaM2, yieldTHa, removal, mineralisedPct, givenM3, doses, freshEcMsCm, mostEcMsCm } = input;
  checkInput(input);
  const sheet = new Worksheet();
  const ha = areaM2 / 10_000;
  const usableN = sheet.note(
    "Nitrogen that the crop can use",
    "(NH₄-N + organic N · share) ÷ 1000",
    fill`(${analysis.nh4NMgL} + ${analysis.organicNMgL} × ${mineralisedPct / 100}) ÷ 1000`,
    (analysis.nh4NMgL + (analysis.organicNMgL * mineralisedPct) / 100) / 1000,
    "kg/m³",
    "analysis; share as entered",
  );
  const cap = (name: string, kgT: number, kgM3: number): number =>
    sheet.note(
      `Cap by ${name}`,
      "yield · removal · area ÷ content",
      fill`${yieldTHa} t/ha × ${kgT} kg/t × ${ha} ha ÷ ${kgM3} kg/m³`,
      kgM3 > 0 ? (yieldTHa * kgT * ha) / kgM3 : Infinity,
      "m³",
      "what the crop takes off the field",
    );
  const [nCapM3, pCapM3] = [
    cap("nitrogen", removal.nKgT, usableN),
    cap("phosphorus", removal.pKgT, analysis.pMgL / 1000),
  ];
  const leftM3 = sheet.note(
    "May still be given",
    "smaller cap − given",
    fill`${Math.min(nCapM3, pCapM3)} − ${givenM3}`,
    Math.max(0, Math.min(nCapM3, pCapM3) - givenM3),
    "m³",
    "log of doses",
  );
  const doseL = sheet.note(
    "One dose",
    "left ÷ doses",
    fill`${leftM3} × 1000 ÷ ${doses}`,
    (leftM3 * 1000) / doses,
    "L",
    "split, so that roots and soil keep up",
  );
  const share = Math.min(1, (mostEcMsCm - freshEcMsCm) / Math.max(1e-9, analysis.ecMsCm - freshEcMsCm));
  const dilution = sheet.note(
    "Fresh water on one part",
    "(EC − EC most) ÷ (EC most − EC fresh)",
    fill`(${analysis.ecMsCm} − ${mostEcMsCm}) ÷ (${mostEcMsCm} − ${freshEcMsCm})`,
    analysis.ecMsCm <= mostEcMsCm ? 0 : 1 / share - 1,
    "",
    "conductivities mix nearly in proportion",
  );
  const needed = sheet.note(
    "Opening of the filter",
    "passage ÷ 10",
    fill`${input.passageMm} × 1000 ÷ 10`,
    input.passageMm * 1000 * PASSAGE_SHARE,
    "µm",
    "Nakayama & Bucks (1986)",
  );
  const [mesh, filterUm] = SIEVES.find(([, um]) => um <= needed) ?? [270, 53];
  if (needed < 53)
    sheet.warn(`A passage of ${input.passageMm} mm needs a finer filter than lines can feed: take another emitter.`);
  if (analysis.suspendedSolidsMgL > SEVERE_SOLIDS_MG_L)
    sheet.warn(
      `${analysis.suspendedSolidsMgL} mg/L of solids block a filter within hours: let it settle or screen it first, and use a filter that flushes itself.`,
    );
  const perHa = (mgL: number): number => (leftM3 * mgL) / 1000 / ha;
  return {
    nCapM3,
    pCapM3,
    boundBy: nCapM3 <= pCapM3 ? "nitrogen" : "phosphorus",
    leftM3,
    doseL,
    dilution,
    filterUm,
    mesh,
    bringsKgHa: { n: perHa(usableN * 1000), p: perHa(analysis.pMgL), k: perHa(analysis.kMgL) },
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

function checkInput(input: OrganicDosingInput): void {
  const { analysis, removal, freshEcMsCm, mostEcMsCm } = input;
  new Checks()
    .range("analysis.suspendedSolidsMgL", "Suspended solids", analysis.suspendedSolidsMgL, 0, 100_000, "mg/L")
    .range("analysis.nh4NMgL", "Ammonium N", analysis.nh4NMgL, 0, 20_000, "mg/L")
    .range("analysis.organicNMgL", "Organic N", analysis.organicNMgL, 0, 20_000, "mg/L")
    .range("analysis.pMgL", "Phosphorus", analysis.pMgL, 0, 10_000, "mg/L")
    .range("analysis.ecMsCm", "The EC", analysis.ecMsCm, 0, 60, "mS/cm")
    .range("areaM2", "The area", input.areaM2, 0.5, 1_000_000, "m²")
    .range("yieldTHa", "The yield", input.yieldTHa, 0, 1000, "t/ha")
    .range("removal.nKgT", "Nitrogen taken off", removal.nKgT, 0, 30, "kg/t")
    .range("removal.pKgT", "Phosphorus taken off", removal.pKgT, 0, 10, "kg/t")
    .range("mineralisedPct", "The usable share of organic N", input.mineralisedPct, 0, 100, "%")
    .range("givenM3", "What was given", input.givenM3, 0, 1_000_000, "m³")
    .range("doses", "The doses", input.doses, 1, 200)
    .range("passageMm", "The passage", input.passageMm, 0.3, 10, "mm")
    .range("mostEcMsCm", "The greatest EC", mostEcMsCm, 0.2, 10, "mS/cm")
    .when(
      freshEcMsCm >= mostEcMsCm,
      "not-possible",
      "mostEcMsCm",
      `The fresh water has ${freshEcMsCm} mS/cm already; allow more than that at the drippers.`,
    )
    .done();
}
