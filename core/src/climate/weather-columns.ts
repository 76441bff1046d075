import { toCanonical } from "../units/units.ts";

export const WEATHER_KINDS = ["airTemperature", "humidity", "wind", "radiation", "rain"] as const;
export type WeatherKind = (typeof WEATHER_KINDS)[number];
type ColumnKind = WeatherKind | "time" | "ignore";

export interface WeatherColumn {
  /** counted from 1 */
  readonly column: number;
  readonly header: string;
  readonly kind: ColumnKind;
  readonly unit: string;
  /** the unit stands nowhere in the file and is only likely */
  readonly unitAssumed?: boolean;
}

interface KindRules {
  readonly header: RegExp;
  /** The first is taken when the file names none. */
  readonly units: Readonly<
    Record<string, { readonly written: RegExp; readonly toCanonical: (value: number) => number }>
  >;
  readonly least: number;
  readonly most: number;
}

/** Canonical: °C, %, m/s, MJ/m² in the hour, mm. Spans are in canonical units; sunlight's is −20 to 1500 W/m². */
export const KIND_RULES: Record<WeatherKind, KindRules> = {
  rain: {
    header: /rain|precip|regen|pluie|lluvia/i,
    units: {
      mm: { written: /^(mm|l\/m2|millimet.*)$/, toCanonical: (v) => v },
      in: { written: /^(in|inch|inches|")$/, toCanonical: (v) => toCanonical("rain", v, "in") },
    },
    least: 0,
    most: 200,
  },
  wind: {
    header: /wind|vent|viento/i,
    units: {
      "m/s": { written: /^(m\/s|ms-1|mps)$/, toCanonical: (v) => v },
      "km/h": { written: /^(km\/h|kmh|kph)$/, toCanonical: (v) => toCanonical("wind", v, "km/h") },
      mph: { written: /^(mph|mi\/h)$/, toCanonical: (v) => toCanonical("wind", v, "mph") },
      kn: { written: /^(kn|kt|kts|knots)$/, toCanonical: (v) => toCanonical("wind", v, "kn") },
    },
    least: 0,
    most: 75,
  },
  radiation: {
    header: /sun|solar|radiat|global|glob|light|shortwave|strahlung|rayonnement/i,
    units: {
      "W/m2": { written: /^(w\/m2|wm-2)$/, toCanonical: (v) => toCanonical("radiationFlux", v, "W/m²") },
      ly: { written: /^(ly|langley|langleys)$/, toCanonical: (v) => toCanonical("radiationFlux", v, "ly in the hour") },
      "MJ/m2": { written: /^(mj\/m2|mjm-2)$/, toCanonical: (v) => v },
      "J/cm2": { written: /^(j\/cm2|jcm-2)$/, toCanonical: (v) => v * 0.01 },
    },
    least: -20 * 0.0036,
    most: 1500 * 0.0036,
  },
  humidity: {
    header: /hum|damp|\brh\b|^rh|moist|feuchte/i,
    units: { "%": { written: /^(%|pct|percent|%rh|rh)$/, toCanonical: (v) => v } },
    least: 0,
    most: 100,
  },
  airTemperature: {
    header: /air|temp|\bt\b|^t_/i,
    units: {
      "°C": { written: /^(°?c|degc|celsius)$/, toCanonical: (v) => v },
      "°F": { written: /^(°?f|degf|fahrenheit)$/, toCanonical: (v) => toCanonical("temperature", v, "°F") },
    },
    least: -40,
    most: 60,
  },
};

const TIME_HEADER = /time|date|hour|stamp|clock|\bday\b|datum|zeit|heure|fecha|hora/i;
/** Near words that are other quantities; soil or dew temperature, gusts and directions are not what is meant. */
const OTHER_HEADER = /dew|soil|battery|gust|direction|\bdir\b|index|feels|chill|pressure|shine|inside|indoor|leaf/i;

/** Guesses what each column means from its header and, where there is one, its cell in the unit row. */
export function guessColumns(header: readonly string[], unitRow: readonly string[] | undefined): WeatherColumn[] {
  const taken = new Set<ColumnKind>();
  return header.map((text, index) => {
    const kind = guessKind(text, taken);
    if (kind !== "time" && kind !== "ignore") taken.add(kind);
    const base = { column: index + 1, header: text };
    if (kind === "time") return { ...base, kind, unit: "" };
    if (kind === "ignore") return { ...base, kind, unit: unitRow?.[index] ?? "" };
    const unit = writtenUnit(kind, unitRow?.[index] ?? "", text);
    return unit
      ? { ...base, kind, unit }
      : { ...base, kind, unit: Object.keys(KIND_RULES[kind].units)[0] ?? "", unitAssumed: true };
  });
}

function guessKind(header: string, taken: ReadonlySet<ColumnKind>): ColumnKind {
  const words = header.replaceAll("_", " ");
  if (OTHER_HEADER.test(words)) return "ignore";
  const kinds: WeatherKind[] = ["rain", "wind", "radiation", "humidity", "airTemperature"];
  const meant = kinds.find((kind) => !taken.has(kind) && KIND_RULES[kind].header.test(words));
  if (TIME_HEADER.test(words) && (meant === undefined || /^(date|time|hour|stamp|day)/i.test(words))) return "time";
  return meant ?? "ignore";
}

/** The unit as it stands in the unit row, in brackets, or at the end of the header. */
function writtenUnit(kind: WeatherKind, unitCell: string, header: string): string | undefined {
  const inBrackets = /[([]([^)\]]*)[)\]]/.exec(header)?.[1] ?? "";
  const words = header.split(/[\s_]+/);
  for (const candidate of [unitCell, inBrackets, words.slice(-1).join(), words.slice(-2).join("/")]) {
    const plain = candidate
      .toLowerCase()
      .replaceAll("²", "2")
      .replace(/\s|_/g, "")
      .replace(/[⁻^]1/g, "-1")
      .replace("deg.", "deg");
    for (const [unit, { written }] of Object.entries(KIND_RULES[kind].units)) if (written.test(plain)) return unit;
  }
  return undefined;
}
