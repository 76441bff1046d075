/** Sun and earth as FAO-56, chapter 3, has them. Angles inside are radians. */

const SOLAR_CONSTANT_MJ_M2_MIN = 0.082;
const RADIANS_PER_DEGREE = Math.PI / 180;

/** Number of the day in the year, 1 January being 1, of a date `YYYY-MM-DD`. */
export function dayOfYear(date: string): number {
  const year = Number(date.slice(0, 4));
  return Math.round((Date.parse(`${date}T00:00:00Z`) - Date.UTC(year, 0, 1)) / 86_400_000) + 1;
}

interface Sun {
  readonly inverseDistance: number;
  readonly declinationRad: number;
  readonly latitudeRad: number;
  /** 0 in polar night, π in polar day. */
  readonly sunsetAngleRad: number;
}

function sunOf(latitudeDeg: number, day: number): Sun {
  const latitudeRad = latitudeDeg * RADIANS_PER_DEGREE;
  const yearAngle = (2 * Math.PI * day) / 365;
  const declinationRad = 0.409 * Math.sin(yearAngle - 1.39); // eq. 24
  // Beyond the polar circles the cosine leaves its range: the sun stays up or down all day.
  const cosine = Math.min(Math.max(-Math.tan(latitudeRad) * Math.tan(declinationRad), -1), 1);
  return {
    inverseDistance: 1 + 0.033 * Math.cos(yearAngle), // eq. 23
    declinationRad,
    latitudeRad,
    sunsetAngleRad: Math.acos(cosine), // eq. 25
  };
}

/** Radiation on a level plane outside the atmosphere while the hour angle goes from one value to another. */
function planeMjM2(sun: Sun, fromRad: number, toRad: number, minutesPerRadian: number): number {
  const { latitudeRad, declinationRad, inverseDistance } = sun;
  const height =
    (toRad - fromRad) * Math.sin(latitudeRad) * Math.sin(declinationRad) +
    Math.cos(latitudeRad) * Math.cos(declinationRad) * (Math.sin(toRad) - Math.sin(fromRad));
  return Math.max(0, minutesPerRadian * SOLAR_CONSTANT_MJ_M2_MIN * inverseDistance * height);
}

const MINUTES_PER_RADIAN = (12 * 60) / Math.PI;

/**
 * Extraterrestrial radiation of a day.
 *
 * @param latitudeDeg north positive, −90 to 90
 * @param day day of the year, 1 to 366
 * @returns MJ/m² in the day
 * @see FAO-56, eq. 21
 * @example dailyExtraterrestrialMjM2(-20, 246) // ≈ 32.2 (example 8)
 */
export function dailyExtraterrestrialMjM2(latitudeDeg: number, day: number): number {
  const sun = sunOf(latitudeDeg, day);
  return planeMjM2(sun, -sun.sunsetAngleRad, sun.sunsetAngleRad, MINUTES_PER_RADIAN);
}

/**
 * Greatest possible hours of sunshine.
 *
 * @see FAO-56, eq. 34
 * @example daylightHours(-20, 246) // ≈ 11.7 (example 9)
 */
export function daylightHours(latitudeDeg: number, day: number): number {
  return (24 / Math.PI) * sunOf(latitudeDeg, day).sunsetAngleRad;
}

/**
 * Extraterrestrial radiation of a period of up to an hour. A period that holds sunrise or sunset counts from or to it.
 *
 * @param day day of the year
 * @param midClockH clock time at the middle of the period, hours
 * @param longitudeDeg east positive
 * @param zoneMeridianDeg longitude of the time zone's centre, east positive
 * @param lengthH length of the period, hours
 * @returns MJ/m² in the period
 * @see FAO-56, eq. 28 to 33; the cut at sunrise and sunset follows ASCE-EWRI (2005), eq. 56
 */
export function periodExtraterrestrialMjM2(
  latitudeDeg: number,
  day: number,
  midClockH: number,
  longitudeDeg: number,
  zoneMeridianDeg: number,
  lengthH = 1,
): number {
  const sun = sunOf(latitudeDeg, day);
  const seasonAngle = (2 * Math.PI * (day - 81)) / 364; // eq. 33
  const correctionH =
    0.1645 * Math.sin(2 * seasonAngle) - 0.1255 * Math.cos(seasonAngle) - 0.025 * Math.sin(seasonAngle); // eq. 32
  const solarH = midClockH + (longitudeDeg - zoneMeridianDeg) / 15 + correctionH;
  const middle = normalAngle((Math.PI / 12) * (solarH - 12)); // eq. 31
  const half = (Math.PI * lengthH) / 24;
  const limit = sun.sunsetAngleRad;
  const from = Math.min(Math.max(middle - half, -limit), limit);
  const to = Math.min(Math.max(middle + half, -limit), limit);
  return to > from ? planeMjM2(sun, from, to, MINUTES_PER_RADIAN) : 0;
}

function normalAngle(angleRad: number): number {
  return angleRad - 2 * Math.PI * Math.round(angleRad / (2 * Math.PI));
}

/**
 * Radiation under a clear sky, without knowledge of the air's turbidity.
 *
 * @see FAO-56, eq. 37
 */
export function clearSkyMjM2(extraterrestrialMjM2: number, elevationM: number): number {
  return (0.75 + 2e-5 * elevationM) * extraterrestrialMjM2;
}
