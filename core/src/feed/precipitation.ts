import { speciate, type FreeSpecies } from "../chemistry/solution.ts";
import type { Ions } from "../chemistry/ions.ts";

export interface FeedSaturation {
  readonly solid: string;
  readonly where: "feed";
  readonly saturationIndex: number;
  readonly verdict: string;
}

interface Solid {
  readonly solid: string;
  /** log of the solubility product at 25 °C */
  readonly logKsp: number;
  logActivities(found: FreeSpecies): number;
  readonly consequence: string;
}

const lg = (value: number): number => (value > 0 ? Math.log10(value) : -Infinity);

/** Gypsum, calcite: Nordstrom et al. (1990). Brushite: Gregory, Moreno & Brown (1970). Struvite: Ohlinger, Young & Schroeder (1998). */
const SOLIDS: readonly Solid[] = [
  {
    solid: "gypsum",
    logKsp: -4.58,
    logActivities: (s) => lg(s.activity("Ca")) + lg(s.activity("SO4")),
    consequence: "gypsum can scale lines and drippers",
  },
  {
    solid: "calcite",
    logKsp: -8.48,
    logActivities: (s) => lg(s.activity("Ca")) + lg(s.activity("CO3")),
    consequence: "lime can scale drippers; a little more acid prevents it",
  },
  {
    solid: "brushite",
    logKsp: -6.59,
    logActivities: (s) => lg(s.activity("Ca")) + lg(s.activity("HPO4")),
    consequence: "calcium phosphate may fall out slowly above pH 6.2; keep the feed's pH below",
  },
  {
    solid: "struvite",
    logKsp: -13.26,
    logActivities: (s) => lg(s.activity("Mg")) + lg(s.activity("NH4")) + lg(s.activity("PO4")),
    consequence: "magnesium ammonium phosphate can settle in lines",
  },
];

/**
 * Saturation of the feed at the dripper with the four salts that fall out of feeds: log of ion product over solubility product.
 * Salts of which an ion is missing are left out.
 */
export function feedSaturation(ions: Ions, ph: number): FeedSaturation[] {
  const found = speciate(ions, ph);
  return SOLIDS.flatMap(({ solid, logKsp, logActivities, consequence }) => {
    const saturationIndex = logActivities(found) - logKsp;
    if (!Number.isFinite(saturationIndex)) return [];
    const verdict = saturationIndex > 0 ? `warning: ${consequence}` : "stays dissolved";
    return [{ solid, where: "feed" as const, saturationIndex, verdict }];
  });
}
