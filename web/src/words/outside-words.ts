import type { BandKind } from "@sprunel/core/crop";

/** What lay outside a crop's bands, in a few words: "too cold by night". */
export function outsideWords({ kind, side }: { readonly kind: BandKind; readonly side: -1 | 1 }): string {
  if (kind === "humidity") return "too humid";
  if (kind === "light") return "too dull";
  if (kind === "root") return `roots too ${side > 0 ? "warm" : "cold"}`;
  if (kind === "co2") return side > 0 ? "too much CO₂" : "too little CO₂";
  return `too ${side > 0 ? "warm" : "cold"} by ${kind}`;
}
