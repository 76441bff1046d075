import { speciate, type FreeSpecies } from "../../chemistry/solution.ts";
import type { Ions } from "../../chemistry/ions.ts";
import { fill, type Worksheet } from "../../working/working.ts";

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
  /** ions whose activities make the product */
  readonly ions: string;
  readonly source: string;
  logActivities(found: FreeSpecies): number;
  readonly consequence: string;
}

const lg = (value: number): number => (value > 0 ? Math.log10(value) : -Infinity);

const SOLIDS: readonly Solid[] = [
  {
    solid: "gypsum",
    logKsp: -4.58,
    ions: "Ca · SO₄",
    source: "Nordstrom et al. (1990)",
    logActivities: (s) => lg(s.activity("Ca")) + lg(s.activity("SO4")),
    consequence: "gypsum can scale lines and drippers",
  },
  {
    solid: "calcite",
    logKsp: -8.48,
    ions: "Ca · CO₃",
    source: "Nordstrom et al. (1990)",
    logActivities: (s) => lg(s.activity("Ca")) + lg(s.activity("CO3")),
    consequence: "lime can scale drippers; a little more acid prevents it",
  },
  {
    solid: "brushite",
    logKsp: -6.59,
    ions: "Ca · HPO₄",
    source: "Gregory, Moreno & Brown (1970)",
    logActivities: (s) => lg(s.activity("Ca")) + lg(s.activity("HPO4")),
    consequence: "calcium phosphate may fall out slowly above pH 6.2; keep the feed's pH below",
  },
  {
    solid: "struvite",
    logKsp: -13.26,
    ions: "Mg · NH₄ · PO₄",
    source: "Ohlinger, Young & Schroeder (1998)",
    logActivities: (s) => lg(s.activity("Mg")) + lg(s.activity("NH4")) + lg(s.activity("PO4")),
    consequence: "magnesium ammonium phosphate can settle in lines",
  },
];

/**
 * Saturation of the feed at the dripper with the four salts that fall out of feeds: log of ion product over solubility product.
 * Salts of which an ion is missing are left out.
 */
export function feedSaturation(ions: Ions, ph: number, sheet: Worksheet): FeedSaturation[] {
  const found = speciate(ions, ph);
  return SOLIDS.flatMap(({ solid, logKsp, ions: product, source, logActivities, consequence }) => {
    const logProduct = logActivities(found);
    if (!Number.isFinite(logProduct)) return [];
    const saturationIndex = sheet.note(
      `Saturation with ${solid}`,
      `log of the activities ${product} − log Ksp`,
      fill`${logProduct} − (${logKsp}) at pH ${ph}`,
      logProduct - logKsp,
      "",
      source,
    );
    const verdict = saturationIndex > 0 ? `warning: ${consequence}` : "stays dissolved";
    return [{ solid, where: "feed" as const, saturationIndex, verdict }];
  });
}
