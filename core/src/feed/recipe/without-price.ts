interface Line {
  readonly productId: string;
  readonly name: string;
}
interface Shelved {
  readonly product: { readonly id: string };
  /** null where nobody has said it */
  readonly priceKg: number | null;
}

/** Names of the products of a recipe that stand on the shelf without a price, each once: with one of them its cost is not known. */
export function withoutPrice(lines: readonly Line[], shelf: readonly Shelved[]): string[] {
  const priceless = new Set(shelf.flatMap(({ product, priceKg }) => (priceKg === null ? [product.id] : [])));
  return [...new Set(lines.flatMap(({ productId, name }) => (priceless.has(productId) ? [name] : [])))];
}
