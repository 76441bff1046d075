import { compositionOfLabel, type LibraryProduct } from "@sprunel/core/feed/products";
import type { OwnProduct } from "./own-product-store.ts";

/** @throws {DomainError} for a label that cannot be true */
export function ownAsProduct({
  id,
  name,
  form,
  isAcid,
  isChelate,
  densityKgL,
  solubilityGL,
  label,
}: OwnProduct): LibraryProduct {
  return {
    id,
    name,
    form,
    formula: name,
    purityPct: 100,
    composition: compositionOfLabel(label, isAcid).composition,
    compositionSource: "the bag's label",
    ...(densityKgL !== null && { densityKgL }),
    ...(isChelate && { chelate: true }),
    ...(solubilityGL !== null && {
      solubility: [solubilityGL, solubilityGL, solubilityGL, solubilityGL, solubilityGL] as const,
      solubilitySource: "the bag's label",
    }),
    cautions: isAcid ? ["Goggles, gloves, apron.", "Acid into water, never the reverse."] : ["See the bag's label."],
  };
}
