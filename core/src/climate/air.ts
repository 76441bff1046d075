import { Checks } from "../working/checks.ts";

/**
 * Saturation vapour pressure over liquid water.
 *
 * @param airTemperatureC °C, from −40 to 60, the span of a station's sensor; below 0 the water is supercooled, not ice
 * @returns kPa
 * @throws {DomainError} `out-of-range` outside that span, and for NaN
 * @see Allen et al. (1998), FAO Irrigation and Drainage Paper 56, eq. 11 (Tetens form)
 * @example saturationVapourPressureKpa(24.5) // ≈ 3.075
 */
export function saturationVapourPressureKpa(airTemperatureC: number): number {
  new Checks().range("airTemperatureC", "Air temperature", airTemperatureC, -40, 60, "°C").done();
  return 0.6108 * Math.exp((17.27 * airTemperatureC) / (airTemperatureC + 237.3));
}

/**
 * Slope of the saturation vapour pressure curve.
 *
 * @param airTemperatureC °C, −40 to 60
 * @returns kPa/°C
 * @see FAO-56, eq. 13
 */
export function vapourPressureSlopeKpaC(airTemperatureC: number): number {
  return (4098 * saturationVapourPressureKpa(airTemperatureC)) / (airTemperatureC + 237.3) ** 2;
}

/**
 * Atmospheric pressure of a standard atmosphere at 20 °C.
 *
 * @param elevationM m above sea level, −430 to 6000
 * @returns kPa
 * @see FAO-56, eq. 7
 */
export function airPressureKpa(elevationM: number): number {
  return 101.3 * ((293 - 0.0065 * elevationM) / 293) ** 5.26;
}

/**
 * Psychrometric constant.
 *
 * @param pressureKpa kPa
 * @returns kPa/°C
 * @see FAO-56, eq. 8
 */
export function psychrometricConstantKpaC(pressureKpa: number): number {
  return 0.665e-3 * pressureKpa;
}

/** Height of a weather station's wind sensor where nobody says it, m: the meteorological standard (WMO-No. 8). Asked at import. */
export const WIND_HEIGHT_M = 10;

/**
 * Wind at the 2 m of the reference surface from wind measured higher or lower, over short grass.
 *
 * @param windMs m/s at `heightM`
 * @param heightM m above ground, 0.5 to 200
 * @returns m/s at 2 m
 * @throws {DomainError} for a height the logarithmic profile does not hold for
 * @see FAO-56, eq. 47
 * @example windAt2MMs(3.2, 10) // ≈ 2.4
 */
export function windAt2MMs(windMs: number, heightM: number): number {
  new Checks().range("weather.windHeightM", "Height of the wind sensor", heightM, 0.5, 200, "m").done();
  return heightM === 2 ? windMs : (windMs * 4.87) / Math.log(67.8 * heightM - 5.42);
}

/**
 * Light sum for photosynthesis from global radiation.
 *
 * 45 % of global radiation is photosynthetic, at 4.57 µmol/J for sunlight: 2.06 mol/MJ.
 *
 * @param solarMjM2 MJ/m² in the day, as it reaches the plants
 * @returns mol/m² in the day (daily light integral)
 * @throws {DomainError} below zero
 * @see Meek et al. (1984), Agronomy Journal 76:939–945 (share); Thimijan & Heins (1983), HortScience 18:818–822 (4.57)
 */
export function lightSumMolM2(solarMjM2: number): number {
  new Checks().range("solarMjM2", "Solar radiation", solarMjM2, 0, 50, "MJ/m²").done();
  return solarMjM2 * 0.45 * 4.57;
}
