import {
  airPressureKpa,
  psychrometricConstantKpaC,
  saturationVapourPressureKpa,
  vapourPressureSlopeKpaC,
} from "../climate/air.ts";
import { canopyTranspirationMm, type CanopyCoefficients } from "../climate/canopy-transpiration.ts";
import { fill, type Worksheet } from "../working/working.ts";
import type { DemandDay } from "./demand-day.ts";

/**
 * What the form of Baille takes for a crop that nobody has fitted: the middle of what was found for nine ornamentals. Assumed
 * for every other crop; fit it to the zone's own meter.
 */
export const UNFITTED_CANOPY: CanopyCoefficients = { radiationShare: 0.6, vpdDay: 15, vpdNight: 8, extinction: 0.64 };

/** λ of water, MJ/kg: FAO-56, eq. 8. */
const LATENT_HEAT_MJ_KG = 2.45;
/** kg/m³ · J/(kg·K) of air at 20 °C */
const AIR_HEAT_J_M3_K = 1.2 * 1013;

/** Light and dry air on a canopy: Baille, Baille & Laury (1994), with coefficients that are assumed until they are fitted. */
export function baille(day: DemandDay, leafAreaIndex: number, sheet: Worksheet): number[] {
  sheet.warn(
    "The coefficients of the canopy form were found for ornamentals and are assumed here: fit them to the zone's own meter.",
  );
  const hourlyMm = day.hours.map(({ solarInsideMjM2, vpdKpa }) =>
    canopyTranspirationMm({ solarInsideMjM2, vpdKpa, leafAreaIndex }, UNFITTED_CANOPY),
  );
  const { radiationShare, vpdDay, vpdNight, extinction } = UNFITTED_CANOPY;
  sheet.note(
    "Canopy transpiration",
    "Σ (A · (1 − e^(−k·LAI)) · Rs,in + B · LAI · VPD) ÷ 2.45, LAI to 3 and VPD to 2.5 kPa in the second term",
    fill`A ${radiationShare}, k ${extinction}, B ${vpdDay} by day and ${vpdNight} by night, LAI ${leafAreaIndex}, Rs,in ${day.solarInsideMjM2} MJ/m²`,
    sum(hourlyMm),
    "L/m²",
    "Baille, Baille & Laury (1994), Scientia Horticulturae 59:217–232, the form; coefficients assumed",
  );
  return hourlyMm;
}

/** Resistance of the leaves' boundary layer in the still air of a house, s/m. Stanghellini (1987) found 150 to 300. Assumed within it. */
const BOUNDARY_S_M = 250;
/** Stanghellini (1987), table 4.1: tomato, well watered. */
const LEAST_STOMATAL_S_M = 82;
/** µmol/mol outside, where nobody enriches the air. */
const USUAL_CO2 = 400;

/**
 * Penman–Monteith over all leaves of a house as one: both sides of each leaf transpire, and stomata answer light, warmth,
 * dryness and CO₂.
 *
 * @see Stanghellini (1987), Transpiration of greenhouse crops, Wageningen; Katsoulas & Stanghellini (2019), Agronomy 9:392
 */
export function bigLeafMm(hours: readonly LeafHour[], leafAreaIndex: number, elevationM: number): number[] {
  const gamma = psychrometricConstantKpaC(airPressureKpa(elevationM));
  return hours.map(({ airC, vpdKpa, solarInsideMjM2 }) => {
    if (leafAreaIndex === 0) return 0;
    const solarWm2 = (solarInsideMjM2 * 1e6) / 3600;
    const netWm2 = 0.86 * (1 - Math.exp(-0.7 * leafAreaIndex)) * solarWm2;
    const epsilon = vapourPressureSlopeKpaC(airC) / gamma;
    const perLeafWm2 = netWm2 / (2 * leafAreaIndex);
    const byLight = (perLeafWm2 + 4.3) / (perLeafWm2 + 0.54);
    const byWarmth = 1 + 0.023 * (airC - 24.5) ** 2;
    const byCo2 = solarWm2 > 0 ? 1 + 6.1e-7 * (USUAL_CO2 - 200) ** 2 : 1;
    const byDryness = Math.min(3.8, 1 + 4.3 * vpdKpa ** 2);
    const stomatalSM = LEAST_STOMATAL_S_M * byLight * byWarmth * byCo2 * byDryness;
    const dryWm2 = (2 * leafAreaIndex * AIR_HEAT_J_M3_K * vpdKpa) / (gamma * BOUNDARY_S_M);
    const latentWm2 = (epsilon * netWm2 + dryWm2) / (1 + epsilon + stomatalSM / BOUNDARY_S_M);
    return (latentWm2 * 3600) / (LATENT_HEAT_MJ_KG * 1e6);
  });
}

/** @returns L/m² of all hours together */
export function noteBigLeaf(
  hourlyMm: readonly number[],
  leafAreaIndex: number,
  hours: readonly LeafHour[],
  sheet: Worksheet,
): number {
  return sheet.note(
    "Big-leaf transpiration",
    "Σ (ε·Rn + 2·LAI·ρcp·VPD/(γ·re)) ÷ (1 + ε + ri/re) ÷ λ; Rn = 0.86·(1 − e^(−0.7·LAI))·Rs,in; ri = 82 · f(light) · f(warmth) · f(dryness) · f(CO₂)",
    fill`LAI ${leafAreaIndex}, Rs,in ${sum(hours.map(({ solarInsideMjM2 }) => solarInsideMjM2))} MJ/m², re ${BOUNDARY_S_M} s/m, CO₂ ${USUAL_CO2} µmol/mol`,
    sum(hourlyMm),
    "L/m²",
    "Stanghellini (1987), found for tomato in a heated house; re assumed",
  );
}

/** An hour around leaves. */
export interface LeafHour {
  readonly airC: number;
  readonly vpdKpa: number;
  /** that falls on the crop, MJ/m² */
  readonly solarInsideMjM2: number;
}

export function vpdOf(airC: number, rhPct: number): number {
  return saturationVapourPressureKpa(airC) * (1 - rhPct / 100);
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}
