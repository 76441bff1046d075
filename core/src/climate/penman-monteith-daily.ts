import { Checks } from "../working/checks.ts";
import { fill, type Filled, type Worksheet } from "../working/working.ts";
import {
  airPressureKpa,
  psychrometricConstantKpaC,
  saturationVapourPressureKpa,
  vapourPressureSlopeKpaC,
  windAt2MMs,
} from "./air.ts";
import { netRadiationMjM2 } from "./net-radiation.ts";
import type { EtMethod } from "./reference-et.ts";
import type { ReferenceEtInput, ReferenceEtWeather } from "./reference-et-input.ts";
import { clearSkyMjM2, dailyExtraterrestrialMjM2, dayOfYear, daylightHours } from "./solar-geometry.ts";

/** FAO-56 Penman–Monteith by the day, chapter 4, eq. 6; missing data by chapter 3. */
export const penmanMonteithDaily: EtMethod = (input, sheet) => {
  const sun = outsideRadiation(input, sheet);
  const { valueMm, rnMjM2, vpdKpa } = dailyCombination(input, sheet, sun, sun.rsMjM2, wind(input.weather, sheet));
  return { valueMm, parts: { raMjM2: sun.raMjM2, rsMjM2: sun.rsMjM2, rnMjM2, vpdKpa, daylightH: sun.daylightH } };
};

interface OutsideRadiation {
  readonly raMjM2: number;
  readonly rsMjM2: number;
  readonly daylightH: number;
  readonly clearness: number;
}

/** Radiation outside: measured, from sunshine, or from the range of temperature, in this order. */
export function outsideRadiation(input: ReferenceEtInput, sheet: Worksheet): OutsideRadiation {
  const { latitudeDeg, date, elevationM, weather } = input;
  const day = dayOfYear(date);
  const raMjM2 = sheet.note(
    "Radiation above the air",
    "Ra = 24·60/π · 0.0820 · dr · (ωs·sin φ·sin δ + cos φ·cos δ·sin ωs)",
    fill`φ = ${latitudeDeg}°, day ${day} of the year`,
    dailyExtraterrestrialMjM2(latitudeDeg, day),
    "MJ/m²",
    "FAO-56, eq. 21",
  );
  const daylightH = daylightHours(latitudeDeg, day);
  const rsMjM2 = solarRadiation(weather, raMjM2, daylightH, sheet);
  new Checks()
    .range("weather.solarMjM2", "Solar radiation on this day at this latitude", weather.solarMjM2, 0, raMjM2, "MJ/m²")
    .done();
  const clear = clearSkyMjM2(raMjM2, elevationM);
  if (clear === 0) sheet.warn("The sun does not rise on this day: the cloud term is taken as for a clear sky.");
  const clearness = sheet.note(
    "Clearness of the sky",
    "Rs/Rso, Rso = (0.75 + 2·10⁻⁵·z) · Ra, at most 1",
    fill`${rsMjM2} ÷ ((0.75 + 0.00002 × ${elevationM}) × ${raMjM2})`,
    clear === 0 ? 1 : Math.min(rsMjM2 / clear, 1),
    "",
    "FAO-56, eq. 37",
  );
  return { raMjM2, rsMjM2, daylightH, clearness };
}

function solarRadiation(weather: ReferenceEtWeather, raMjM2: number, daylightH: number, sheet: Worksheet): number {
  const { solarMjM2, sunshineH, tMaxC, tMinC } = weather;
  if (solarMjM2 !== undefined)
    return sheet.note("Solar radiation", "Rs, as given", fill`${solarMjM2}`, solarMjM2, "MJ/m²", "given");
  if (sunshineH !== undefined) {
    // A recorder may show a minute more than the formula's day, which knows no refraction; more than a quarter of an hour is a slip.
    new Checks()
      .range("weather.sunshineH", "Sunshine on this day at this latitude", sunshineH, 0, daylightH + 0.25, "hours")
      .done();
    return sheet.note(
      "Solar radiation from sunshine",
      "Rs = (0.25 + 0.50 · n/N) · Ra",
      fill`(0.25 + 0.50 × ${sunshineH} ÷ ${daylightH}) × ${raMjM2}`,
      (0.25 + 0.5 * (daylightH > 0 ? Math.min(sunshineH / daylightH, 1) : 0)) * raMjM2,
      "MJ/m²",
      "FAO-56, eq. 35",
    );
  }
  if (tMaxC === undefined || tMinC === undefined) throw new Error("temperatures are checked before");
  sheet.warn("No radiation was given: it is estimated from the range of temperature (0.16·√ΔT·Ra).");
  return sheet.note(
    "Solar radiation from temperatures",
    "Rs = 0.16 · √(Tmax − Tmin) · Ra",
    fill`0.16 × √(${tMaxC} − ${tMinC}) × ${raMjM2}`,
    Math.min(0.16 * Math.sqrt(tMaxC - tMinC), 1) * raMjM2,
    "MJ/m²",
    "FAO-56, eq. 50, inland coefficient",
  );
}

/** Wind at 2 m, or the 2 m/s that FAO-56 puts in its place. */
export function wind({ windMs, windHeightM = 2 }: ReferenceEtWeather, sheet: Worksheet): number {
  if (windMs === undefined) {
    sheet.warn("No wind was given: 2 m/s is taken.");
    return sheet.note("Wind at 2 m", "u₂, default", "2", 2, "m/s", "FAO-56, chapter 3, missing wind data");
  }
  return sheet.note(
    "Wind at 2 m",
    windHeightM === 2 ? "u₂, as measured" : "u₂ = u · 4.87 / ln(67.8 · z − 5.42)",
    windHeightM === 2 ? fill`${windMs}` : fill`${windMs} × 4.87 ÷ ln(67.8 × ${windHeightM} − 5.42)`,
    windAt2MMs(windMs, windHeightM),
    "m/s",
    "FAO-56, eq. 47",
  );
}

/** Actual vapour pressure by the best data at hand. */
function actualVapourPressure(weather: ReferenceEtWeather, tMaxC: number, tMinC: number, sheet: Worksheet): number {
  const high = saturationVapourPressureKpa(tMaxC);
  const low = saturationVapourPressureKpa(tMinC);
  const { vapourPressureKpa, rhMaxPct, rhMinPct, rhMeanPct } = weather;
  const note = (formula: string, substituted: Filled, value: number, source: string): number =>
    sheet.note("Vapour pressure of the air", formula, substituted, value, "kPa", source);
  if (vapourPressureKpa !== undefined)
    return note("ea, as given", fill`${vapourPressureKpa}`, vapourPressureKpa, "given");
  if (rhMaxPct !== undefined && rhMinPct !== undefined) {
    const value = (low * rhMaxPct + high * rhMinPct) / 200;
    return note(
      "ea = (e°(Tmin)·RHmax + e°(Tmax)·RHmin) / 200",
      fill`(${low} × ${rhMaxPct} + ${high} × ${rhMinPct}) ÷ 200`,
      value,
      "FAO-56, eq. 17",
    );
  }
  if (rhMaxPct !== undefined)
    return note(
      "ea = e°(Tmin)·RHmax / 100",
      fill`${low} × ${rhMaxPct} ÷ 100`,
      (low * rhMaxPct) / 100,
      "FAO-56, eq. 18",
    );
  if (rhMeanPct !== undefined) {
    const value = (rhMeanPct * (high + low)) / 200;
    return note(
      "ea = RHmean/100 · (e°(Tmax) + e°(Tmin))/2",
      fill`${rhMeanPct} ÷ 100 × (${high} + ${low}) ÷ 2`,
      value,
      "FAO-56, eq. 19",
    );
  }
  sheet.warn("No humidity was given: the dew point is taken as the day's minimum temperature.");
  return note("ea = e°(Tmin)", fill`e°(${tMinC})`, low, "FAO-56, eq. 48");
}

/** Eq. 6 of FAO-56 over any radiation on the crop and any wind. */
export function dailyCombination(
  { weather, elevationM, soilHeatMjM2 }: ReferenceEtInput,
  sheet: Worksheet,
  sun: OutsideRadiation,
  solarOnCropMjM2: number,
  windMs: number,
): { valueMm: number; rnMjM2: number; vpdKpa: number } {
  const { tMaxC, tMinC } = weather;
  if (tMaxC === undefined || tMinC === undefined) throw new Error("temperatures are checked before");
  const mean = sheet.note(
    "Mean temperature",
    "T = (Tmax + Tmin) / 2",
    fill`(${tMaxC} + ${tMinC}) ÷ 2`,
    (tMaxC + tMinC) / 2,
    "°C",
    "FAO-56, eq. 9",
  );
  const high = saturationVapourPressureKpa(tMaxC);
  const low = saturationVapourPressureKpa(tMinC);
  const saturation = sheet.note(
    "Saturation vapour pressure",
    "es = (e°(Tmax) + e°(Tmin)) / 2",
    fill`(${high} + ${low}) ÷ 2`,
    (high + low) / 2,
    "kPa",
    "FAO-56, eq. 12",
  );
  const actual = actualVapourPressure(weather, tMaxC, tMinC, sheet);
  if (actual > saturation)
    sheet.warn("The air holds more vapour than at saturation by the mean; the deficit counts as zero.");
  const vpdKpa = Math.max(0, saturation - actual);
  const rnMjM2 = netRadiationMjM2(sheet, solarOnCropMjM2, {
    temperaturesC: [tMaxC, tMinC],
    vapourPressureKpa: actual,
    clearness: sun.clearness,
    days: 1,
  });
  const soilHeat = soilHeatMjM2 ?? 0;
  const slope = vapourPressureSlopeKpaC(mean);
  const gamma = psychrometricConstantKpaC(airPressureKpa(elevationM));
  const valueMm =
    (0.408 * slope * (rnMjM2 - soilHeat) + ((gamma * 900) / (mean + 273)) * windMs * vpdKpa) /
    (slope + gamma * (1 + 0.34 * windMs));
  sheet.note(
    "Reference evapotranspiration",
    "ET₀ = (0.408·Δ·(Rn − G) + γ·900/(T + 273)·u₂·(es − ea)) / (Δ + γ·(1 + 0.34·u₂))",
    fill`(0.408 × ${slope} × (${rnMjM2} − ${soilHeat}) + ${gamma} × 900 ÷ (${mean} + 273) × ${windMs} × ${vpdKpa}) ÷ (${slope} + ${gamma} × (1 + 0.34 × ${windMs}))`,
    Math.max(0, valueMm),
    "mm/day",
    "FAO-56, eq. 6",
  );
  return { valueMm, rnMjM2, vpdKpa };
}
