import { molarMassG } from "../../chemistry/formula.ts";
import { Checks } from "../../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";

/** Soils by their texture, as they hold their pH. */
export const TEXTURES = ["sand", "loam", "clay"] as const;
export type Texture = (typeof TEXTURES)[number];

/**
 * Ground limestone that raises 20 cm of soil by one unit of pH, t/ha: sands and loamy sands; sandy and silt loams; clay loams and
 * clays. AHDB Nutrient Management Guide (RB209), section 1, lime for arable land; peat and organic soils need a laboratory's test.
 */
export const LIME_T_HA_PER_PH: Readonly<Record<Texture, number>> = { sand: 6, loam: 7, clay: 8 };
const OF_DEPTH_CM = 20;
/** Neutralising value of ground limestone, % as CaO, that those figures hold for. RB209. */
export const LIMESTONE_NV_PCT = 54;
/** More of lime at once is worked in at two times. RB209. */
const MOST_LIME_T_HA = 10;
/** More of sulphur at once makes salt and hurts what is planted soon. Usual practice; assumed. */
const MOST_SULPHUR_T_HA = 1;
/** Until most of it has worked, in moist soil. Usual practice, assumed: lime a season, sulphur by bacteria in warm soil. */
const LEAD_DAYS = { lime: 90, sulphur: 180 } as const;

export interface PhChangeInput {
  readonly ph: number;
  readonly targetPh: number;
  readonly texture: Texture;
  /** that it is worked into, cm */
  readonly depthCm: number;
  readonly areaM2: number;
  /** of the lime, % as CaO, times its share that is fine enough to work within the season */
  readonly nvPct: number;
  readonly finePct: number;
  /** sulphur in the product, % */
  readonly sulphurPct: number;
  /** free lime in the soil, % as CaCO₃; null where nobody tested it */
  readonly freeLimePct: number | null;
}

export interface PhChange {
  readonly kind: "lime" | "sulphur" | "none";
  readonly tHa: number;
  /** for the zone */
  readonly kg: number;
  /** how often it is worked in, some weeks apart */
  readonly times: number;
  /** before planting */
  readonly leadDays: number;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/**
 * Lime that raises a soil's pH to a target, or sulphur that lowers it: before planting, never under a crop that stands.
 *
 * @throws {DomainError} for values that cannot be, all at once
 * @see AHDB RB209, section 1, for lime. Sulphur by what neutralises the same acid: S gives two protons, CaCO₃ takes two; that a
 *   soil holds its pH downwards as upwards is assumed
 */
export function phChange(input: PhChangeInput): PhChange {
  const { ph, targetPh, texture, depthCm, areaM2, nvPct, finePct, sulphurPct, freeLimePct } = input;
  new Checks()
    .range("ph", "The soil's pH", ph, 3, 10)
    .range("targetPh", "The pH aimed at", targetPh, 4, 8)
    .range("depthCm", "The depth", depthCm, 5, 60, "cm")
    .positive("areaM2", "The area", areaM2, 10_000_000, "m²")
    .range("nvPct", "The neutralising value", nvPct, 5, 180, "% as CaO")
    .range("finePct", "The fine share", finePct, 5, 100, "%")
    .range("sulphurPct", "The sulphur in the product", sulphurPct, 1, 100, "%")
    .range("freeLimePct", "The free lime", freeLimePct ?? undefined, 0, 100, "%")
    .done();
  const sheet = new Worksheet();
  const byPh = Math.abs(targetPh - ph);
  if (byPh < 0.05) return { kind: "none", tHa: 0, kg: 0, times: 0, leadDays: 0, warnings: [], working: sheet.steps };
  const factor = LIME_T_HA_PER_PH[texture];
  const limestone = sheet.note(
    "Ground limestone for the change",
    "t/ha for one pH · change · depth / 20 cm",
    fill`${factor} × ${byPh} × ${depthCm} ÷ ${OF_DEPTH_CM}`,
    (factor * byPh * depthCm) / OF_DEPTH_CM,
    "t/ha",
    "AHDB RB209, section 1",
  );
  return targetPh > ph
    ? limed(limestone, nvPct, finePct, areaM2, sheet)
    : soured(limestone, sulphurPct, freeLimePct, depthCm, areaM2, sheet);
}

function limed(limestone: number, nvPct: number, finePct: number, areaM2: number, sheet: Worksheet): PhChange {
  const tHa = sheet.note(
    "Of this lime",
    "limestone · 54 / neutralising value / fine share",
    fill`${limestone} × ${LIMESTONE_NV_PCT} ÷ ${nvPct} ÷ ${finePct / 100}`,
    (limestone * LIMESTONE_NV_PCT) / nvPct / (finePct / 100),
    "t/ha",
    "neutralising value and fineness as on the label",
  );
  const times = Math.ceil(tHa / MOST_LIME_T_HA);
  if (times > 1)
    sheet.warn(`${tHa.toFixed(1)} t/ha are much at once: work it in at ${times} times, ploughed in and on top.`);
  return {
    ...{ kind: "lime", tHa, times, leadDays: LEAD_DAYS.lime, kg: ofZone(tHa, areaM2) },
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

function soured(
  limestone: number,
  sulphurPct: number,
  freeLimePct: number | null,
  depthCm: number,
  areaM2: number,
  sheet: Worksheet,
): PhChange {
  const [caCO3, caO] = [molarMassG("CaCO3"), molarMassG("CaO")];
  const carbonate = (limestone * (LIMESTONE_NV_PCT / 100) * caCO3) / caO;
  const perCarbonate = molarMassG("S") / caCO3;
  const tHa = sheet.note(
    "Of this sulphur",
    "limestone as CaCO₃ · S / CaCO₃ / share of sulphur",
    fill`${carbonate} × ${perCarbonate} ÷ ${sulphurPct / 100}`,
    (carbonate * perCarbonate) / (sulphurPct / 100),
    "t/ha",
    "S + 1½ O₂ + H₂O → 2 H⁺ + SO₄²⁻; CaCO₃ + 2 H⁺ → Ca²⁺ + CO₂ + H₂O",
  );
  if (freeLimePct === null)
    sheet.warn("Free lime was not tested: where the soil fizzes with acid, this is far too little.");
  if (freeLimePct !== null && freeLimePct > 0) {
    const first = sheet.note(
      "Sulphur that only dissolves the free lime",
      "share · depth · 1.3 kg/L · 100 t/ha a cm · S / CaCO₃ / share of sulphur",
      fill`${freeLimePct / 100} × ${depthCm} × 1.3 × 100 × ${perCarbonate} ÷ ${sulphurPct / 100}`,
      ((freeLimePct / 100) * depthCm * 1.3 * 100 * perCarbonate) / (sulphurPct / 100),
      "t/ha",
      "1 cm of 1 kg/L is 100 t/ha; bulk density assumed",
    );
    sheet.warn(
      `The soil has ${freeLimePct} % of free lime: ${first.toFixed(1)} t/ha of sulphur would go into that first. Feed with acid and ammonium instead.`,
    );
  }
  const times = Math.ceil(tHa / MOST_SULPHUR_T_HA);
  if (times > 1)
    sheet.warn(`${tHa.toFixed(1)} t/ha are much at once: work it in at ${times} times, and test in between.`);
  return {
    ...{ kind: "sulphur", tHa, times, leadDays: LEAD_DAYS.sulphur, kg: ofZone(tHa, areaM2) },
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

function ofZone(tHa: number, areaM2: number): number {
  return (tHa * 1000 * areaM2) / 10_000;
}
