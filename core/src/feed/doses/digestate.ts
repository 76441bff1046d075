import { plus, type MainAmounts } from "./nutrients.ts";

/** Digestate or reclaimed water that a planting got, by its analysis. */
export interface DigestateGiven {
  readonly on: string;
  readonly name: string;
  readonly litres: number;
  /** fresh water that flushed the lines after it */
  readonly flushL: number;
  readonly kgHa: MainAmounts;
  /** of that nitrogen what is organic, and no crop can use at once */
  readonly organicNKgHa: number;
}

/** A source of digestate as far as its nutrients are known. */
interface AnalysedSource {
  readonly name: string;
  readonly analysis: { readonly nh4NMgL: number; readonly organicNMgL: number; readonly pMgL: number } | null;
}

/** How much of a digestate a planting may still get, and by which nutrient. */
export interface DigestateCap {
  readonly name: string;
  readonly m3: number;
  readonly boundBy: "N" | "P";
}

const M2_HA = 10_000;

/**
 * How much of each digestate and reclaimed water that a planting got it may still get before more nitrogen or phosphorus came with them than
 * the crop takes up. All of their nitrogen counts, organic too: what is not used this season is still on the ground.
 */
export function digestateCaps(
  sources: readonly AnalysedSource[],
  given: readonly DigestateGiven[],
  need: { readonly uptakeKgHa: Pick<MainAmounts, "N" | "P"> },
  areaM2: number,
): DigestateCap[] {
  const came = plus(...given.map(({ kgHa }) => kgHa));
  return sources.flatMap(({ name, analysis }) => {
    if (!analysis || !given.some((one) => one.name === name)) return [];
    const { nh4NMgL, organicNMgL, pMgL } = analysis;
    const m3 = (allowedKgHa: number, cameKgHa: number, mgL: number): number =>
      mgL > 0 ? (Math.max(0, allowedKgHa - cameKgHa) * (areaM2 / M2_HA) * 1000) / mgL : Infinity;
    const byN = m3(need.uptakeKgHa.N, came.N, nh4NMgL + organicNMgL);
    const byP = m3(need.uptakeKgHa.P, came.P, pMgL);
    const least = Math.min(byN, byP);
    return Number.isFinite(least) ? [{ name, m3: least, boundBy: byN <= byP ? ("N" as const) : ("P" as const) }] : [];
  });
}
