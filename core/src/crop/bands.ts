import { lightSumMolM2, saturationVapourPressureKpa } from "../climate/air.ts";
import type { Bands, CropGroup } from "./crop.ts";

/** An hour of a crop's air and light. */
export interface AirHour {
  readonly airC: number;
  readonly vpdKpa: number;
  /** MJ/m² on the crop in the hour */
  readonly solarMjM2: number;
}

export const BAND_KINDS = ["day", "night", "humidity", "light", "root", "co2"] as const;
export type BandKind = (typeof BAND_KINDS)[number];

/** How a day stood against one of the crop's bands. */
export interface BandDay {
  readonly kind: BandKind;
  /** mean °C by day or by night, h over the most humid air, mol/m², °C of the roots, or ppm of CO₂ */
  readonly value: number;
  /** below, inside or above the band */
  readonly side: -1 | 0 | 1;
  /** hours outside by more than the tolerance; of light the share of the least that is missing; 0 of single readings */
  readonly hours: number;
}

/** Air may lie so far outside its band for some hours without harm, °C. Usual practice, assumed. */
const TOLERANCE_C = 2;
/** So many humid hours in a day let fungi germinate: botrytis needs 4 to 6 h of wet leaf. Usual practice, assumed. */
const HUMID_HOURS = 4;

/**
 * A day's air and light against the bands of a crop: means while it is light and while it is dark, hours of air too humid, and the
 * sum of light. A day with fewer than 18 known hours is not judged.
 *
 * @see agronomic bands stand with their source in the crop's library entry
 */
export function againstBands(bands: Bands, hours: readonly AirHour[]): readonly BandDay[] | null {
  if (hours.length < 18) return null;
  const isLight = ({ solarMjM2 }: AirHour): boolean => solarMjM2 > 0;
  const temperature = (
    kind: "day" | "night",
    of: readonly AirHour[],
    [from, to]: readonly [number, number],
  ): BandDay => {
    const value = of.reduce((sum, { airC }) => sum + airC, 0) / Math.max(1, of.length);
    const side = of.length === 0 ? 0 : value < from ? -1 : value > to ? 1 : 0;
    const outside = of.filter(({ airC }) => airC < from - TOLERANCE_C || airC > to + TOLERANCE_C).length;
    return { kind, value, side, hours: outside };
  };
  const humid = hours.filter(({ airC, vpdKpa }) => humidityPct(airC, vpdKpa) > bands.mostRhPct).length;
  const light = lightSumMolM2(hours.reduce((sum, { solarMjM2 }) => sum + solarMjM2, 0));
  const [least] = bands.lightMolM2;
  return [
    temperature("day", hours.filter(isLight), bands.dayC),
    temperature(
      "night",
      hours.filter((hour) => !isLight(hour)),
      bands.nightC,
    ),
    { kind: "humidity", value: humid, side: humid > HUMID_HOURS ? 1 : 0, hours: humid },
    { kind: "light", value: light, side: light < least ? -1 : 0, hours: Math.max(0, 1 - light / least) },
  ];
}

/** What was last read on a day beside its air. */
export interface ReadOfDay {
  readonly rootC?: number | undefined;
  readonly co2Ppm?: number | undefined;
}

/** What a day's readings say of the roots and of CO₂, against the bands of the crop, where it has them. */
export function readAgainstBands(bands: Bands, { rootC, co2Ppm }: ReadOfDay): readonly BandDay[] {
  const judged = (
    kind: "root" | "co2",
    value: number | undefined,
    band: readonly [number, number] | undefined,
  ): BandDay[] =>
    value === undefined || !band
      ? []
      : [{ kind, value, side: value < band[0] ? -1 : value > band[1] ? 1 : 0, hours: 0 }];
  return [...judged("root", rootC, bands.rootC), ...judged("co2", co2Ppm, bands.co2Ppm)];
}

/** More CO₂ makes growth while the crop has so much light, MJ/m² in an hour (100 W/m² of sunlight). Usual practice; assumed. */
const CO2_FROM_MJ = 0.36;

/** Hours of a day in which light makes more CO₂ worth giving; in them vents that stand open lose it. */
export function co2Hours(hours: readonly Pick<AirHour, "solarMjM2">[]): number {
  return hours.filter(({ solarMjM2 }) => solarMjM2 >= CO2_FROM_MJ).length;
}

function humidityPct(airC: number, vpdKpa: number): number {
  const saturated = saturationVapourPressureKpa(airC);
  return saturated > 0 ? 100 * Math.max(0, 1 - vpdKpa / saturated) : 0;
}

/** What lamps would do about a day that was too dull. */
export interface LampAnswer {
  readonly gapMolM2: number;
  /** of lamps of a usual strength */
  readonly hours: number;
  readonly kwhM2: number;
}

/** Of lamps that grow crops: 100 µmol/m² s, and 2.7 µmol of light for each J of current (LED, usual of their makers). Assumed. */
export const USUAL_LAMPS = { umolM2S: 100, umolJ: 2.7 };

/** Lamp hours and current that would close a gap of light, mol/m² in a day. */
export function lampsFor(gapMolM2: number, { umolM2S, umolJ } = USUAL_LAMPS): LampAnswer {
  const umol = gapMolM2 * 1e6;
  return { gapMolM2, hours: umol / umolM2S / 3600, kwhM2: umol / umolJ / 3.6e6 };
}

/** What a day outside a band does to crops of a kind. */
export function consequence(group: CropGroup, kind: BandKind, side: -1 | 1): string {
  const fruiting = group === "vine fruit" || group === "beans" || group === "berries";
  if (kind === "day" && side === 1)
    return fruiting
      ? "flowers may not set, and fruit ripens small: tomato sets badly past a fortnight's mean of 25 °C (Peet et al. 1997)"
      : "growth is soft, and quality falls";
  if (kind === "day") return "growth and ripening are slow";
  if (kind === "night")
    return side === 1
      ? "what was grown by day is breathed away: thin, stretched plants"
      : fruiting
        ? "fruit sets and swells slowly; roots take up less"
        : "growth is slow";
  if (kind === "root")
    return side === 1
      ? "warm water holds little oxygen, and root rots gain"
      : "cold roots take up little phosphorus and water; ammonium harms them";
  if (kind === "co2")
    return side === 1
      ? "more is lost through the vents than is gained"
      : "leaves have used it up: growth is less than the light would allow";
  if (kind === "humidity")
    return group === "leaf"
      ? "grey mould gains, and tips burn where leaves transpire too little"
      : "grey mould gains after some hours (Botrytis)";
  return fruiting ? "few flowers set, and fruit stays small" : "growth is slow and drawn";
}
