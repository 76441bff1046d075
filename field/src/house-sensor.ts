import { saturationVapourPressureKpa, type WeatherKind } from "@sprunel/core/climate";
import type { SimulatedHour } from "./weather-station.ts";

export interface SimulatedHouse {
  readonly transmissionPct: number;
  /** °C below which the heating starts; −40 for an unheated house */
  readonly heatedToC: number;
  /** °C above which the vents open */
  readonly ventedFromC: number;
}

/**
 * The sensor inside a house: warmed by the sun until the vents open, kept up by the heating, moister than outside by the
 * water that the crop gives off. A steady balance by the hour, good enough to have readings of the right size.
 */
export function houseSensor(
  { values }: SimulatedHour,
  house: SimulatedHouse,
): Pick<Record<WeatherKind, number>, "airTemperature" | "humidity"> {
  const watts = (values.radiation / 0.0036) * (house.transmissionPct / 100);
  // A closed house loses about 8 W/m² and degree; half of the light becomes warmth, the rest vapour.
  const closed = values.airTemperature + (0.5 * watts) / 8;
  const vented = Math.max(house.ventedFromC, values.airTemperature + (0.5 * watts) / 30);
  const airTemperature = Math.max(house.heatedToC, Math.min(closed, vented));
  const outside = (saturationVapourPressureKpa(values.airTemperature) * values.humidity) / 100;
  const vapour = outside + 0.12 + watts / 900;
  const saturation = saturationVapourPressureKpa(airTemperature);
  // The cover is the coldest thing in the house: vapour above its dew point drips off.
  const most = Math.max(
    saturationVapourPressureKpa(Math.min(airTemperature, (airTemperature + values.airTemperature) / 2)),
    0.3,
  );
  const humidity = Math.min(98, (100 * Math.min(vapour, most)) / saturation);
  return { airTemperature: Number(airTemperature.toFixed(1)), humidity: Number(Math.max(20, humidity).toFixed(0)) };
}
