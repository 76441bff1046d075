import type { ShelfItem, ZoneFeed } from "@sprunel/contract/feed";
import type { Source, WaterReport } from "@sprunel/contract/water";
import { libraryProduct, type LibraryProduct } from "@sprunel/core/feed/products";
import { mixWaters } from "@sprunel/core/water";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { reportStore } from "../water/report-store.ts";
import { sourceStore } from "../water/source-store.ts";
import { feedStore } from "./feed-store.ts";
import { ownAsProduct } from "./own-product.ts";
import { ownProductStore } from "./own-product-store.ts";

/** What all zones' feeds stand on, fetched once. */
export interface FeedRecords {
  readonly sources: readonly Source[];
  /** of each source, the newest up to the date */
  readonly reports: ReadonlyMap<number, WaterReport>;
  readonly shelf: ZoneFeed["shelf"];
  /** the library's products and the site's own */
  productOf(id: string): LibraryProduct | undefined;
}

export async function feedRecords(scope: Scope, siteId: number, date: string): Promise<FeedRecords> {
  const { productOf } = await productsOf(scope, siteId);
  const shelf = (await feedStore(scope).shelf(siteId)).flatMap(({ productId, ...item }) => {
    const found = productOf(productId);
    if (!found) return [];
    return [{ product: asListed(found), ...item }];
  });
  return {
    sources: await sourceStore(scope).list(siteId),
    reports: await reportStore(scope).inForce(siteId, date),
    shelf,
    productOf,
  };
}

/** The library's products and the site's own, by id. */
export async function productsOf(scope: Scope, siteId: number): Promise<Pick<FeedRecords, "productOf">> {
  const own = new Map(
    (await ownProductStore(scope).list(siteId)).map((product) => [product.id, ownAsProduct(product)]),
  );
  return { productOf: (id) => own.get(id) ?? libraryProduct(id) };
}

/** The waters that a zone drinks, by their reports in force; the mix is null while one has no report. */
export function waterOf({ sources, reports }: FeedRecords, zone: StoredZone): Pick<ZoneFeed, "water" | "waters"> {
  const shares =
    zone.waters.length > 0 ? zone.waters : sources.slice(0, 1).map(({ id }) => ({ sourceId: id, sharePct: 100 }));
  const waters = shares.flatMap(({ sourceId, sharePct }) => {
    const source = sources.find((candidate) => candidate.id === sourceId);
    const report = reports.get(sourceId) ?? null;
    return source ? [{ sourceId, name: source.name, sharePct, takenOn: report?.takenOn ?? null, report }] : [];
  });
  const known = waters.flatMap(({ report, sharePct }) =>
    report ? [{ ions: report.ions, ph: report.ph, sharePct }] : [],
  );
  const water = waters.length > 0 && known.length === waters.length ? mixWaters(known) : null;
  return {
    water: water && { ...water, unmeasured: [...water.unmeasured] },
    waters: waters.map(({ report: _report, ...entry }) => entry),
  };
}

/** A product as the contract lists it. */
export function asListed({ solubility, cautions, ...product }: LibraryProduct): ShelfItem["product"] {
  return { ...product, cautions: [...cautions], ...(solubility && { solubility: [...solubility] }) };
}
