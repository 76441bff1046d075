import { Checks } from "../working/checks.ts";

/** Coefficients of the canopy form, fitted or assumed for a crop. */
export interface CanopyCoefficients {
  /** share of the intercepted radiation that evaporates water */
  readonly radiationShare: number;
  /** W·m⁻²·kPa⁻¹ per unit of leaf area, by day and by night */
  readonly vpdDay: number;
  readonly vpdNight: number;
  /** light extinction of the canopy */
  readonly extinction: number;
}

interface CanopyHour {
  /** MJ/m² on the canopy in the hour */
  readonly solarInsideMjM2: number;
  /** kPa inside */
  readonly vpdKpa: number;
  /** m² of leaf per m² of floor */
  readonly leafAreaIndex: number;
}

/** Beyond these the term of humidity no longer grows: lower leaves are shaded and stomata close. Our own limits. */
export const MOST_LEAF_AREA = 3;
export const MOST_VPD_KPA = 2.5;
const LATENT_HEAT_MJ_KG = 2.45;
/** Light at which stomata are as open as by day, MJ/m² in the hour, about 50 W/m²; below it they open with the light. Assumed. */
const FULLY_OPEN_MJ_M2 = 0.18;

/**
 * Water that a canopy under cover transpires in an hour.
 *
 * λE = A · (1 − e^(−k·LAI)) · Rs + B · LAI · VPD
 *
 * @returns L/m² in the hour
 * @throws {DomainError} for radiation, deficit or leaf area outside nature
 * @see Baille, Baille & Laury (1994), Scientia Horticulturae 59:217–232, for the form (nine ornamentals, cyclamen among them)
 */
export function canopyTranspirationMm(
  { solarInsideMjM2, vpdKpa, leafAreaIndex }: CanopyHour,
  coefficients: CanopyCoefficients,
): number {
  new Checks()
    .range("solarInsideMjM2", "Solar radiation inside", solarInsideMjM2, 0, 5.4, "MJ/m² in the hour")
    .range("vpdKpa", "Vapour pressure deficit", vpdKpa, 0, 20, "kPa")
    .range("leafAreaIndex", "Leaf area index", leafAreaIndex, 0, 12)
    .done();
  const { radiationShare, vpdDay, vpdNight, extinction } = coefficients;
  const fromLight = radiationShare * (1 - Math.exp(-extinction * leafAreaIndex)) * solarInsideMjM2;
  const perKpa = vpdNight + (vpdDay - vpdNight) * Math.min(1, solarInsideMjM2 / FULLY_OPEN_MJ_M2);
  const fromAir = perKpa * Math.min(leafAreaIndex, MOST_LEAF_AREA) * Math.min(vpdKpa, MOST_VPD_KPA) * 0.0036;
  return (fromLight + fromAir) / LATENT_HEAT_MJ_KG;
}
