export { lightSumMolM2, saturationVapourPressureKpa, WIND_HEIGHT_M, windAt2MMs } from "./air.ts";
export { referenceEt } from "./reference-et.ts";
export { clearSkyMjM2, dayOfYear, periodExtraterrestrialMjM2 } from "./solar-geometry.ts";
export { sunTimes } from "./sun-times.ts";
export { WEATHER_KINDS, type WeatherKind } from "./weather-columns.ts";
export { weatherAgain, type WeatherOfDay } from "./weather-again.ts";
export { houseAir, weatherHours, type HouseAir, type WeatherHour, type WeatherSample } from "./weather-hours.ts";
export { readWeatherTable, type WeatherTable } from "./weather-table.ts";
export { dayLength } from "./day-length.ts";
