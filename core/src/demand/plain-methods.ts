import { fill, type Worksheet } from "../working/working.ts";

/** @param mlPerJCm2 mL for a m² and each J/cm² of light outside */
export function radiationSumMm(mlPerJCm2: number, solarMjM2: number, sheet: Worksheet): number {
  const jCm2 = solarMjM2 * 100;
  return sheet.note(
    "Water by the sum of light",
    "mL per J/cm² · J/cm² outside ÷ 1000",
    fill`${mlPerJCm2} × ${jCm2} ÷ 1000`,
    (mlPerJCm2 * jCm2) / 1000,
    "L/m²",
    "usual practice of steering by light; 1 MJ/m² is 100 J/cm²",
  );
}

export function ownDemandMm(ownMm: number, sheet: Worksheet): number {
  return sheet.note("Own figure", "as given", fill`${ownMm}`, ownMm, "L/m²", "given");
}

/** Reference evapotranspiration by what evaporated from a pan. */
export function panEtMm(evaporationMm: number, panCoefficient: number, sheet: Worksheet): number {
  return sheet.note(
    "Reference evapotranspiration from the pan",
    "ET₀ = Kp · Epan",
    fill`${panCoefficient} × ${evaporationMm}`,
    panCoefficient * evaporationMm,
    "mm",
    "FAO-56, eq. 55",
  );
}
