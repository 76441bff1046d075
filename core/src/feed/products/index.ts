export { LABEL_PARTS, compositionOfLabel, labelByMass, type LabelPart } from "./label.ts";
export { PRODUCTS, libraryProduct } from "./library.ts";
export { libraryProductLike } from "./match-product.ts";
export { solubilityAt, type LibraryProduct } from "./product.ts";
export { readShelfList, type ListedProduct } from "./shelf-list.ts";
export { STARTER_SHELF, USUAL_STARTS } from "./usual-starts.ts";
