export {
  AS_OXIDE,
  checkRules,
  NO_RULES,
  NUTRIENT_SOURCES,
  yearBooks,
  type NutrientEntry,
  type NutrientSource,
} from "./year-books.ts";
export { freedOn } from "./mineralisation.ts";
export { bedsOf, entriesOn, holds, type Bed, type PlacedEntry } from "./beds.ts";
export { inLeaf, USUAL_LEAF, type LeafTaken } from "./leaf-taken.ts";
export { ledger } from "./planting-ledger.ts";
