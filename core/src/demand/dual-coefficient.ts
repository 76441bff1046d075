import { fill, type Worksheet } from "../working/working.ts";
import type { DualCoefficients } from "./demand-input.ts";

/** Upper limit of evaporation and transpiration together in FAO-56's standard climate: eq. 72 without its term for wind and dryness. */
const MOST_KC = 1.2;

/**
 * Coefficient of crop and wetted soil together under drip.
 *
 * The surface dries between waterings; without a history a day with water or rain has it wet, any other dry, and no more
 * evaporates than came.
 *
 * @see FAO-56, eq. 69 (dual), 71 and 72 (Ke), 75 and the note on drip beneath it: few = min(1 − fc, (1 − ⅔·fc)·fw)
 */
export function dualKc(
  { kcb, wettedPct, coverPct, irrigationMm, rainMm }: DualCoefficients,
  et0Mm: number,
  sheet: Worksheet,
): number {
  const cover = coverPct / 100;
  const rained = (rainMm ?? 0) > 0;
  const wetted = rained ? 1 : wettedPct / 100;
  const exposed = sheet.note(
    "Exposed and wetted share",
    rained ? "few = 1 − fc: rain wets all of it" : "few = min(1 − fc, (1 − ⅔·fc) · fw)",
    fill`fc ${cover}, fw ${wetted}`,
    rained ? 1 - cover : Math.min(1 - cover, (1 - (2 / 3) * cover) * wetted),
    "",
    "FAO-56, eq. 75, for drip",
  );
  const most = Math.max(MOST_KC, kcb + 0.05);
  const cameMm = (irrigationMm ?? 0) + (rainMm ?? 0);
  if (irrigationMm === undefined && rainMm === undefined)
    sheet.warn("No water and no rain was given: the soil's surface counts as dry.");
  const wetKe = Math.min(most - kcb, exposed * most);
  const ke = sheet.note(
    "Evaporation coefficient",
    "Ke = Kr · (Kc,max − Kcb), at most few · Kc,max; no more than came",
    fill`${cameMm > 0 ? 1 : 0} × (${most} − ${kcb}), at most ${exposed} × ${most}, ${cameMm} mm came`,
    cameMm > 0 && et0Mm > 0 ? Math.min(wetKe, cameMm / et0Mm) : 0,
    "",
    "FAO-56, eq. 71 and 72 in the standard climate",
  );
  return sheet.note("Kc", "Kcb + Ke", fill`${kcb} + ${ke}`, kcb + ke, "", "FAO-56, eq. 69");
}

/** Kc of bare, dry soil. FAO-56, eq. 97. */
const LEAST_KC = 0.15;
/** A full crop alone takes 0.05 less than with the soil's evaporation. FAO-56, table 17 beside table 12. */
const SOIL_BESIDE_FULL = 0.05;

/**
 * Basal coefficient of a crop by its leaf area, and the share of the ground that it shades.
 *
 * @param kcFull Kc of the crop at its fullest
 * @see FAO-56, eq. 97: Kcb = Kc,min + (Kcb,full − Kc,min) · (1 − exp(−0.7 · LAI)); the same shading for the cover
 */
export function basalOf(kcFull: number, leafAreaIndex: number): { readonly kcb: number; readonly coverPct: number } {
  const shade = 1 - Math.exp(-0.7 * leafAreaIndex);
  return { kcb: LEAST_KC + Math.max(0, kcFull - SOIL_BESIDE_FULL - LEAST_KC) * shade, coverPct: 100 * shade };
}
