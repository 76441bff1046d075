import { Checks } from "../working/checks.ts";
import { fill, type Filled, type Worksheet } from "../working/working.ts";
import {
  airPressureKpa,
  psychrometricConstantKpaC,
  saturationVapourPressureKpa,
  vapourPressureSlopeKpaC,
} from "./air.ts";
import { netRadiationMjM2 } from "./net-radiation.ts";
import { wind } from "./penman-monteith-daily.ts";
import type { EtMethod } from "./reference-et.ts";
import type { ReferenceEtWeather } from "./reference-et-input.ts";
import { clearSkyMjM2, dayOfYear, daylightHours, periodExtraterrestrialMjM2 } from "./solar-geometry.ts";

/** Below this the sun is so low that Rs/Rso is noise. MJ/m² in the hour, ≈ 14 W/m². */
const LEAST_CLEAR_SKY_MJ_M2 = 0.05;
/** FAO-56, chapter 4, example 19: the night's ratio when nothing is known of the hours before sunset. */
const NIGHT_CLEARNESS = 0.8;

/** FAO-56 Penman–Monteith by the hour, chapter 4, eq. 53, with Cd 0.34 by day and night. */
export const penmanMonteithHourly: EtMethod = (input, sheet) => {
  const { weather, elevationM, latitudeDeg, longitudeDeg, zoneMeridianDeg, hourStart, date } = input;
  if (
    longitudeDeg === undefined ||
    zoneMeridianDeg === undefined ||
    hourStart === undefined ||
    weather.solarMjM2 === undefined
  )
    throw new Error("the hour's needs are checked before");
  const rsMjM2 = weather.solarMjM2;
  const temperature = hourTemperature(weather);
  const raMjM2 = sheet.note(
    "Radiation above the air",
    "Ra = 12·60/π · 0.0820 · dr · ((ω₂ − ω₁)·sin φ·sin δ + cos φ·cos δ·(sin ω₂ − sin ω₁))",
    fill`φ = ${latitudeDeg}°, day ${dayOfYear(date)}, ${hourStart}:00 to ${hourStart + 1}:00, longitude ${longitudeDeg}°, zone ${zoneMeridianDeg}°`,
    periodExtraterrestrialMjM2(latitudeDeg, dayOfYear(date), hourStart + 0.5, longitudeDeg, zoneMeridianDeg),
    "MJ/m²",
    "FAO-56, eq. 28",
  );
  const clearness = hourClearness(rsMjM2, clearSkyMjM2(raMjM2, elevationM), input.clearnessBeforeSunset, sheet);
  const windMs = wind(weather, sheet);
  const saturation = saturationVapourPressureKpa(temperature);
  const actual = hourVapourPressure(weather, saturation, sheet);
  const vpdKpa = saturation - actual;
  const rnMjM2 = netRadiationMjM2(sheet, rsMjM2, {
    temperaturesC: [temperature],
    vapourPressureKpa: actual,
    clearness,
    days: 1 / 24,
  });
  const daytime = rsMjM2 > 0;
  const soilHeat =
    input.soilHeatMjM2 ??
    sheet.note(
      "Soil heat",
      daytime ? "G = 0.1 · Rn by day" : "G = 0.5 · Rn by night",
      fill`${daytime ? 0.1 : 0.5} × ${rnMjM2}`,
      (daytime ? 0.1 : 0.5) * rnMjM2,
      "MJ/m²",
      "FAO-56, eq. 45 and 46",
    );
  const slope = vapourPressureSlopeKpaC(temperature);
  const gamma = psychrometricConstantKpaC(airPressureKpa(elevationM));
  const valueMm =
    (0.408 * slope * (rnMjM2 - soilHeat) + ((gamma * 37) / (temperature + 273)) * windMs * vpdKpa) /
    (slope + gamma * (1 + 0.34 * windMs));
  sheet.note(
    "Reference evapotranspiration",
    "ET₀ = (0.408·Δ·(Rn − G) + γ·37/(T + 273)·u₂·(e°(T) − ea)) / (Δ + γ·(1 + 0.34·u₂))",
    fill`(0.408 × ${slope} × (${rnMjM2} − ${soilHeat}) + ${gamma} × 37 ÷ (${temperature} + 273) × ${windMs} × ${vpdKpa}) ÷ (${slope} + ${gamma} × (1 + 0.34 × ${windMs}))`,
    Math.max(0, valueMm),
    "mm/hour",
    "FAO-56, eq. 53",
  );
  return { valueMm, parts: { raMjM2, rsMjM2, rnMjM2, vpdKpa, daylightH: daylightHours(latitudeDeg, dayOfYear(date)) } };
};

function hourTemperature({ tMeanC, tMaxC, tMinC }: ReferenceEtWeather): number {
  if (tMeanC !== undefined) return tMeanC;
  if (tMaxC === undefined || tMinC === undefined) throw new Error("the hour's temperature is checked before");
  return (tMaxC + tMinC) / 2;
}

function hourClearness(rsMjM2: number, clearMjM2: number, beforeSunset: number | undefined, sheet: Worksheet): number {
  if (clearMjM2 >= LEAST_CLEAR_SKY_MJ_M2)
    return sheet.note(
      "Clearness of the sky",
      "Rs/Rso, at most 1",
      fill`${rsMjM2} ÷ ${clearMjM2}`,
      Math.min(rsMjM2 / clearMjM2, 1),
      "",
      "FAO-56, eq. 37",
    );
  if (beforeSunset === undefined)
    sheet.warn(
      `The sun is down or very low: the clearness before sunset is not known and taken as ${NIGHT_CLEARNESS}.`,
    );
  const taken = beforeSunset ?? NIGHT_CLEARNESS;
  return sheet.note(
    "Clearness before sunset",
    "Rs/Rso, as before sunset",
    fill`${taken}`,
    taken,
    "",
    "FAO-56, chapter 4, example 19",
  );
}

function hourVapourPressure(weather: ReferenceEtWeather, saturation: number, sheet: Worksheet): number {
  const { vapourPressureKpa, rhMeanPct, rhMaxPct, rhMinPct, tMinC } = weather;
  const humidity =
    rhMeanPct ??
    (rhMaxPct !== undefined && rhMinPct !== undefined ? (rhMaxPct + rhMinPct) / 2 : (rhMaxPct ?? rhMinPct));
  const note = (formula: string, substituted: Filled, value: number, source: string): number =>
    sheet.note("Vapour pressure of the air", formula, substituted, value, "kPa", source);
  if (vapourPressureKpa !== undefined) {
    new Checks()
      .range(
        "weather.vapourPressureKpa",
        "Vapour pressure at this temperature",
        vapourPressureKpa,
        0,
        saturation,
        "kPa",
      )
      .done();
    return note("ea, as given", fill`${vapourPressureKpa}`, vapourPressureKpa, "given");
  }
  if (humidity !== undefined)
    return note(
      "ea = e°(T) · RH / 100",
      fill`${saturation} × ${humidity} ÷ 100`,
      (saturation * humidity) / 100,
      "FAO-56, eq. 54",
    );
  if (tMinC !== undefined) {
    sheet.warn("No humidity was given: the dew point is taken as the minimum temperature.");
    return note("ea = e°(Tmin)", fill`e°(${tMinC})`, saturationVapourPressureKpa(tMinC), "FAO-56, eq. 48");
  }
  new Checks().present("weather.rhMeanPct", "The hour's humidity", undefined).done();
  return NaN;
}
