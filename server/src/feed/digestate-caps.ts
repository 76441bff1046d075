import type { DosePlan } from "@sprunel/contract/feed";
import type { Source } from "@sprunel/contract/water";
import { plus } from "@sprunel/core/feed/doses";
import type { DigestateGiven } from "./nutrient-entries.ts";

const M2_HA = 10_000;

/**
 * How much of each digestate and reclaimed water that a planting got it may still get before more nitrogen or phosphorus came with them than
 * the crop takes up. All of their nitrogen counts, organic too: what is not used this season is still on the ground.
 */
export function digestateCaps(
  sources: readonly Source[],
  given: readonly DigestateGiven[],
  need: NonNullable<DosePlan["need"]>,
  areaM2: number,
): DosePlan["digestateCaps"] {
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
