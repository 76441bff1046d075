import type { WeatherDevice } from "../climate/weather-device.ts";

const HOUR_MS = 3_600_000;

/** A station that measures and foresees the same clear day again and again, by universal time. */
export const sameDayDevice: WeatherDevice = (() => {
  const each = (fromMs: number, toMs: number) =>
    Array.from({ length: Math.ceil((toMs - fromMs) / HOUR_MS) }, (_, at) => {
      const startMs = fromMs + at * HOUR_MS;
      const sun = Math.max(0, Math.sin((((new Date(startMs).getUTCHours() + 0.5) / 24) * 2 - 0.5) * Math.PI));
      return { startMs, values: { airTemperature: 22, humidity: 60, wind: 2, radiation: 2.4 * sun, rain: 0 } };
    });
  return {
    simulated: false,
    outside: (_place, fromMs, toMs) => each(fromMs, toMs),
    inside: (_place, _house, fromMs, toMs) => each(fromMs, toMs),
    forecast: (_place, _now, fromMs, toMs) => each(fromMs, toMs),
  };
})();
