import type { ReadColumn } from "../table/columns.ts";
import type { Meaning } from "../table/meaning.ts";
import type { Quantity } from "../table/quantity.ts";
import type { Declaration } from "../table/declaration.ts";

export const WEATHER_KINDS = ["airTemperature", "humidity", "wind", "radiation", "rain"] as const;
export type WeatherKind = (typeof WEATHER_KINDS)[number];
export type WeatherColumnKind = WeatherKind | "time";
export type WeatherColumn = ReadColumn<WeatherColumnKind>;

interface KindRules {
  readonly quantity: Quantity;
  readonly least: number;
  readonly most: number;
}

/** MJ/m² in an hour of a mean of 1 W/m². */
const MJ_OF_WATT = 0.0036;

/** Canonical: °C, %, m/s, MJ/m² in the hour, mm. Spans are in canonical units; sunlight's is −20 to 1500 W/m². */
export const KIND_RULES: Record<WeatherKind, KindRules> = {
  rain: {
    quantity: {
      units: ["mm", "in"],
      scales: [
        { name: "mm/h", written: /^(mm|l\/m[2²])(\/h|h-1|\/hr|perhour)$/, factor: 1 },
        { name: "in/h", written: /^(in|inch(es)?)(\/h|\/hr|perhour)$/, factor: 25.4 },
      ],
    },
    least: 0,
    most: 200,
  },
  wind: {
    quantity: {
      units: ["m/s", "km/h", "mph", "kn"],
      scales: [{ name: "m/s", written: /^ms$/, factor: 1 }],
    },
    least: 0,
    most: 75,
  },
  radiation: {
    quantity: {
      units: ["MJ/m2", "W/m2", "kJ/m2", "J/cm2", "ly", "Wh/m2"],
      alike: { "W/m2": MJ_OF_WATT },
    },
    least: -20 * MJ_OF_WATT,
    most: 1500 * MJ_OF_WATT,
  },
  humidity: {
    quantity: {
      units: ["%", "0 to 1"],
      scales: [{ name: "0 to 1", written: /^(0(to|[-–…])1|fraction|frac|ratio|decimal)$/, factor: 100 }],
    },
    least: 0,
    most: 100,
  },
  airTemperature: { quantity: { units: ["°C", "°F", "K"] }, least: -40, most: 60 },
};

/** Near words that are other quantities; soil or dew temperature, gusts and directions are not what is meant. */
const MEANINGS: Record<WeatherColumnKind, Meaning> = {
  time: {
    named: [["date"], ["time"], ["stamp"], ["date", "time"]],
    never: ["duration", "rain", "radiation"],
    many: true,
  },
  rain: { named: [["rain"]], never: ["duration", "leaf"], quantity: KIND_RULES.rain.quantity },
  wind: { named: [["wind"]], never: ["direction", "gust", "index"], quantity: KIND_RULES.wind.quantity },
  radiation: {
    named: [["radiation"]],
    never: ["duration", "uv", "par", "inside"],
    quantity: KIND_RULES.radiation.quantity,
    lies: { least: -0.1, most: 4.5 },
  },
  humidity: {
    named: [["humidity"]],
    never: ["soil", "leaf", "dew", "inside", "deficit"],
    quantity: KIND_RULES.humidity.quantity,
    lies: { least: 1.5, most: 100 },
  },
  airTemperature: {
    named: [["temperature"]],
    weakly: [["air"]],
    never: ["inside", "dew", "soil", "leaf", "index", "battery", "gust", "least", "humidity", "pressure"],
    beside: ["air"],
    quantity: KIND_RULES.airTemperature.quantity,
    lies: { least: -35, most: 45 },
  },
};

export const WEATHER_DECLARATION: Declaration<WeatherColumnKind> = {
  meanings: MEANINGS,
  needs: [["time"], WEATHER_KINDS],
  identity: ["time"],
  times: { stamp: "time" },
};
