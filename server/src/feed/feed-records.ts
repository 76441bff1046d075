import type { ZoneFeed } from "@sprunel/contract/feed";
import type { Source, WaterReport } from "@sprunel/contract/water";
import { libraryProduct, type LibraryProduct } from "@sprunel/core/feed";
import { mixWaters } from "@sprunel/core/water";
import type { Knex } from "knex";
import type { StoredZone } from "../site/zone-store.ts";
import { sourceStore } from "../water/source-store.ts";
import { feedStore } from "./feed-store.ts";
import { ownAsProduct } from "./own-product.ts";
import { ownProductStore } from "./own-product-store.ts";

/** What all zones' feeds stand on, fetched once. */
export interface FeedRecords {
  readonly sources: readonly Source[];
  readonly reports: readonly WaterReport[];
  readonly shelf: ZoneFeed["shelf"];
  /** the library's products and the site's own */
  productOf(id: string): LibraryProduct | undefined;
}

export async function feedRecords(db: Knex, siteId: number): Promise<FeedRecords> {
  const own = new Map((await ownProductStore(db).list(siteId)).map((product) => [product.id, ownAsProduct(product)]));
  const productOf = (id: string): LibraryProduct | undefined => own.get(id) ?? libraryProduct(id);
  const shelf = (await feedStore(db).shelf(siteId)).flatMap(({ productId, priceKg, stockKg }) => {
    const found = productOf(productId);
    if (!found) return [];
    const { solubility, cautions, ...product } = found;
    return [
      {
        product: { ...product, cautions: [...cautions], ...(solubility && { solubility: [...solubility] }) },
        priceKg,
        stockKg,
      },
    ];
  });
  return {
    sources: await sourceStore(db).list(siteId),
    reports: await feedStore(db).reports(siteId),
    shelf,
    productOf,
  };
}

/** The waters that a zone drinks, by their reports in force; the mix is null while one has no report. */
export function waterOf(
  { sources, reports }: FeedRecords,
  zone: StoredZone,
  date: string,
): Pick<ZoneFeed, "water" | "waters"> {
  const shares =
    zone.waters.length > 0 ? zone.waters : sources.slice(0, 1).map(({ id }) => ({ sourceId: id, sharePct: 100 }));
  const waters = shares.flatMap(({ sourceId, sharePct }) => {
    const source = sources.find((candidate) => candidate.id === sourceId);
    const report = reports.find((entry) => entry.sourceName === source?.name && entry.takenOn <= date) ?? null;
    return source ? [{ sourceId, name: source.name, sharePct, takenOn: report?.takenOn ?? null, report }] : [];
  });
  const known = waters.flatMap(({ report, sharePct }) =>
    report ? [{ ions: report.ions, ph: report.ph, sharePct }] : [],
  );
  const water = waters.length > 0 && known.length === waters.length ? mixWaters(known) : null;
  return { water, waters: waters.map(({ report: _report, ...entry }) => entry) };
}
