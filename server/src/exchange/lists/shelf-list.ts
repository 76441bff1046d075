import { newOwnProductSchema, type NewOwnProduct } from "@sprunel/contract/feed";
import { compositionOfLabel, libraryProductLike, type ListedProduct } from "@sprunel/core/feed/products";
import { DomainError } from "@sprunel/core/working";
import { StoredRows, type ListedRow, type ListPlace } from "./list-place.ts";
import { feedStore } from "../../feed/feed-store.ts";
import { ownProductStore } from "../../feed/own-product-store.ts";

interface OnShelf {
  stockKg: number;
  /** money, and the kilograms that it bought */
  paid: number;
  pricedKg: number;
  priceKg: number | null;
}

/**
 * A list of bags as the shelf: a chemical of the library is known by its label, the rest are own bags. Bags of one
 * product add up, at the mean price of what is left.
 */
export async function storeShelf(
  rows: readonly ListedRow<ListedProduct>[],
  { scope, site }: ListPlace,
): Promise<StoredRows> {
  const stored = new StoredRows();
  const shelf = new Map<string, OnShelf>();
  for (const { line, values } of rows) {
    const id = await productIdOf(values, site.id, scope);
    if (typeof id !== "string") {
      stored.refuse(line, id.message);
      continue;
    }
    const item = shelf.get(id) ?? { stockKg: 0, paid: 0, pricedKg: 0, priceKg: null };
    const kg = values.inStockKg ?? 0;
    const isPriced = values.pricePerKg !== null;
    shelf.set(id, {
      stockKg: item.stockKg + kg,
      paid: item.paid + (values.pricePerKg ?? 0) * kg,
      pricedKg: item.pricedKg + (isPriced ? kg : 0),
      priceKg: values.pricePerKg ?? item.priceKg,
    });
  }
  const before = new Map((await feedStore(scope).shelf(site.id)).map((item) => [item.productId, item]));
  for (const [id, { stockKg, paid, pricedKg, priceKg }] of shelf) {
    const price = pricedKg > 0 ? paid / pricedKg : priceKg;
    const known = before.get(id);
    stored.count(!known || known.stockKg !== stockKg || known.priceKg !== price);
    await feedStore(scope).putOnShelf(site.id, id, { stockKg, priceKg: price });
  }
  return stored;
}

async function productIdOf(
  values: ListedProduct,
  siteId: number,
  scope: ListPlace["scope"],
): Promise<string | { readonly message: string }> {
  const own = asOwnProduct(values);
  const library = libraryProductLike(values.product, own.label);
  if (library) return library.id;
  const checked = newOwnProductSchema.safeParse(own);
  if (!checked.success) return { message: checked.error.issues.map((issue) => issue.message).join(" ") };
  try {
    compositionOfLabel(own.label, own.isAcid);
  } catch (thrown) {
    if (!(thrown instanceof DomainError)) throw thrown;
    return { message: thrown.message };
  }
  const known = (await ownProductStore(scope).list(siteId)).find(
    ({ name, label }) => name === own.name && JSON.stringify(label) === JSON.stringify(own.label),
  );
  return known?.id ?? (await ownProductStore(scope).add(siteId, checked.data));
}

function asOwnProduct({ product, form, label, densityKgL }: ListedProduct): NewOwnProduct {
  return {
    name: product,
    form: /liquid|solution/i.test(form) ? "liquid" : "solid",
    isAcid: /\bacid\b/i.test(product),
    isChelate: /chelate|edta|dtpa|eddha|hbed/i.test(product),
    densityKgL,
    solubilityGL: null,
    label: { ...label },
  };
}
