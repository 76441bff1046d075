import { fill, type Worksheet } from "../working/working.ts";

const DAY_STEFAN_BOLTZMANN = 4.903e-9; // MJ K⁻⁴ m⁻² day⁻¹, FAO-56 eq. 39

interface LongWave {
  /** °C at which the surface radiates: the extremes of a day, or the mean of an hour alone */
  readonly temperaturesC: readonly number[];
  readonly vapourPressureKpa: number;
  /** Rs/Rso, outside, 0 to 1 */
  readonly clearness: number;
  /** 1 for a day, 1/24 for an hour */
  readonly days: number;
}

/** Net outgoing long-wave radiation, MJ/m² in the period. FAO-56, eq. 39 and its hourly form. */
function netLongWaveMjM2({ temperaturesC, vapourPressureKpa, clearness, days }: LongWave): number {
  const fourth = temperaturesC.reduce((sum, t) => sum + (t + 273.16) ** 4, 0) / temperaturesC.length;
  return DAY_STEFAN_BOLTZMANN * days * fourth * (0.34 - 0.14 * Math.sqrt(vapourPressureKpa)) * cloudFactor(clearness);
}

/** Below this ratio of Rs to Rso the sky is overcast, and no darker for the long waves. ASCE-EWRI (2005), eq. 18. */
const OVERCAST = 0.3;

/** How much of a clear sky's long-wave loss is left under cloud: never less than 0.05. ASCE-EWRI (2005), eq. 18. */
function cloudFactor(clearness: number): number {
  return Math.max(0.05, 1.35 * Math.min(1, Math.max(OVERCAST, clearness)) - 0.35);
}

/**
 * Net radiation of the grass reference surface (albedo 0.23).
 *
 * @param solarMjM2 MJ/m² of short-wave radiation on the crop in the period
 * @returns MJ/m² in the period
 * @see FAO-56, eq. 38 to 40
 */
export function netRadiationMjM2(sheet: Worksheet, solarMjM2: number, longWave: LongWave): number {
  const shortWave = sheet.note(
    "Net short-wave radiation",
    "Rns = (1 − 0.23) · Rs",
    fill`0.77 × ${solarMjM2}`,
    0.77 * solarMjM2,
    "MJ/m²",
    "FAO-56, eq. 38",
  );
  const { temperaturesC, vapourPressureKpa, clearness, days } = longWave;
  const outgoing = sheet.note(
    "Net long-wave radiation",
    "Rnl = σ · mean(T⁴) · (0.34 − 0.14 · √ea) · (1.35 · Rs/Rso − 0.35), Rs/Rso from 0.3 to 1",
    fill`σ at ${temperaturesC.map((t) => `${t} °C`).join(" and ")} × (0.34 − 0.14 × √${vapourPressureKpa}) × (1.35 × ${Math.min(1, Math.max(OVERCAST, clearness))} − 0.35)${days < 1 ? ", in one hour" : ""}`,
    netLongWaveMjM2(longWave),
    "MJ/m²",
    "FAO-56, eq. 39; ASCE-EWRI (2005), eq. 18, for the span of the cloud term; σ = 4.903·10⁻⁹ MJ K⁻⁴ m⁻² day⁻¹",
  );
  return sheet.note(
    "Net radiation",
    "Rn = Rns − Rnl",
    fill`${shortWave} − ${outgoing}`,
    shortWave - outgoing,
    "MJ/m²",
    "FAO-56, eq. 40",
  );
}
