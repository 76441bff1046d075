import {
  clearSkyMjM2,
  dayOfYear,
  periodExtraterrestrialMjM2,
  saturationVapourPressureKpa,
  type WeatherKind,
} from "@sprunel/core/climate";
import { chance, persistent } from "./noise.ts";

export interface StationPlace {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly elevationM: number;
}

export interface SimulatedHour {
  readonly startMs: number;
  /** °C, %, m/s, MJ/m² in the hour, mm */
  readonly values: Readonly<Record<WeatherKind, number>>;
}

export interface DullSpell {
  readonly fromMs: number;
  readonly toMs: number;
  /** in the units of a persistent noise: 1 is a usual front */
  readonly cloudier: number;
}

/** Channels of chance, one for each thing that varies on its own. */
const CLOUD_FRONTS = 1;
const CLOUD_HOURS = 2;
const AIR_MASS = 3;
const WIND = 4;
const RAIN = 5;
const FORECAST = 100;

const HOUR_MS = 3_600_000;

/**
 * A weather station on a mild coast that never was: sun by geometry, clouds that persist, temperature and dew point that
 * follow them, wind and rain. Any hour can be asked for at any time and always reads the same.
 */
export class SimulatedWeatherStation {
  constructor(
    private readonly place: StationPlace,
    private readonly seed: number,
    /** times in which clouds are thicker by so much than chance has them */
    private readonly dullSpells: readonly DullSpell[] = [],
  ) {}

  /** What the station measured in the hour. */
  hour(startMs: number): SimulatedHour {
    return this.weather(startMs, 0, 0);
  }

  /**
   * What a forecaster said at `issuedMs` of a later hour: right about the sun, and with clouds, air and wind that drift
   * away from the truth over about four days.
   */
  forecast(issuedMs: number, startMs: number): SimulatedHour {
    const leadH = Math.max(0, (startMs - issuedMs) / HOUR_MS);
    return this.weather(startMs, 1 - Math.exp(-leadH / 72), Math.floor(issuedMs / (6 * HOUR_MS)));
  }

  /** `error` 0 is the truth, 1 a weather that has nothing to do with it. */
  private weather(startMs: number, error: number, issue: number): SimulatedHour {
    const hour = startMs / HOUR_MS;
    const seen = (channel: number, periodH: number): number =>
      Math.sqrt(1 - error ** 2) * persistent(this.seed, channel, hour, periodH) +
      (error > 0 ? error * persistent(this.seed + issue, FORECAST + channel, hour, periodH) : 0);
    // Fronts pass every few days, fields of cloud every few hours.
    const spell = this.dullSpells.find(({ fromMs, toMs }) => startMs >= fromMs && startMs < toMs);
    const cloudiness = 0.8 * seen(CLOUD_FRONTS, 40) + 0.6 * seen(CLOUD_HOURS, 5);
    const cloudAt = (of: number): number => 1 / (1 + Math.exp(-1.9 * (of + 0.7)));
    const cloud = cloudAt(cloudiness + (spell?.cloudier ?? 0));
    const middleMs = startMs + HOUR_MS / 2;
    const date = new Date(middleMs).toISOString().slice(0, 10);
    const { latitudeDeg, longitudeDeg, elevationM } = this.place;
    const utcH = (middleMs % 86_400_000) / HOUR_MS;
    const clear = clearSkyMjM2(
      periodExtraterrestrialMjM2(latitudeDeg, dayOfYear(date), utcH, longitudeDeg, 0),
      elevationM,
    );
    const radiation = clear * (1 - 0.75 * cloud ** 3.4); // Kasten & Czeplak (1980)
    const airTemperature = this.temperature(date, utcH + longitudeDeg / 15, cloud, seen(AIR_MASS, 60));
    const dewPoint = this.temperature(date, 5, 0.6, seen(AIR_MASS, 60)) - 1 + 2 * (cloud - 0.5);
    const humidity =
      100 * Math.min(1, saturationVapourPressureKpa(dewPoint) / saturationVapourPressureKpa(airTemperature));
    const wind = Math.max(0, 2.1 + 1.3 * seen(WIND, 9) + 0.9 * Math.sin(((utcH - 9) / 12) * Math.PI));
    // Low cloud of a spell brings no rain of its own.
    const wet = cloudAt(cloudiness) > 0.88 && chance(this.seed, RAIN, Math.floor(hour)) < 0.55;
    const rain = wet ? -1.6 * Math.log(1 - chance(this.seed, RAIN + 1, Math.floor(hour))) * (cloud - 0.8) * 3.5 : 0;
    return {
      startMs,
      values: {
        airTemperature: round(airTemperature, 1),
        humidity: round(humidity, 0),
        wind: round(wind, 1),
        radiation: round(radiation, 4),
        rain: round(rain, 1),
      },
    };
  }

  /** A mild coast: 9 °C in January, 20 °C in July; the day's swing is wide under a clear sky and narrow under cloud. */
  private temperature(date: string, solarH: number, cloud: number, airMass: number): number {
    const north = this.place.latitudeDeg >= 0 ? 0 : 182;
    const season = Math.cos((2 * Math.PI * (dayOfYear(date) + north - 24)) / 365);
    const swing = (4.6 - season) * (1.15 - 0.8 * cloud);
    return 14.6 - 5.8 * season + 2.6 * airMass + swing * Math.cos(((solarH - 15) / 12) * Math.PI);
  }
}

function round(value: number, digits: number): number {
  return Number(value.toFixed(digits));
}
