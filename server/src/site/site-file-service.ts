import { SITE_FILE_FORMAT, SITE_FILE_VERSION, type SiteFile } from "@sprunel/contract/exchange";
import type { Knex } from "knex";
import { ownProductStore } from "../feed/own-product-store.ts";
import { feedStore } from "../feed/feed-store.ts";
import { recipeStore } from "../feed/recipe-store.ts";
import { badInput } from "../http/problems.ts";
import { sourceStore } from "../water/source-store.ts";
import type { SetUpService } from "./set-up-service.ts";
import { siteStore } from "./site-store.ts";
import { iso } from "./site-file-rows.ts";
import { weatherIn, weatherOut } from "./site-file-weather.ts";
import { withNewIds, zoneIn, zoneOut } from "./site-file-zone.ts";
import { zoneStore } from "./zone-store.ts";

export type SiteFileService = ReturnType<typeof siteFileService>;

/** A whole site out of the database and into an empty one, all of it or nothing. */
export function siteFileService(db: Knex, setUp: SetUpService, clock: () => number, changed: () => void) {
  return {
    async write(): Promise<SiteFile> {
      const { id, version: _version, ...site } = await setUp.site();
      const sources = await sourceStore(db).list(id);
      const zones = await zoneStore(db).list();
      return {
        format: SITE_FILE_FORMAT,
        version: SITE_FILE_VERSION,
        exportedAt: iso(clock()),
        site,
        sources: sources.map(({ id: _id, version: _v, ...source }) => source),
        reports: (await feedStore(db).reports(id)).map(({ id: _id, ...report }) => report).reverse(),
        ownProducts: await ownProductStore(db).list(id),
        shelf: await feedStore(db).shelf(id),
        recipes: (await recipeStore(db).list(id))
          .map(({ id: _id, version: _version, keptAtMs, ...recipe }) => ({ ...recipe, keptAt: iso(keptAtMs) }))
          .reverse(),
        zones: await Promise.all(zones.map((zone) => zoneOut(db, zone, sources))),
        weather: await weatherOut(db, id),
      };
    },

    /** @throws 422 when a site stands here already, or the file names what it does not hold */
    async read(file: SiteFile): Promise<void> {
      await db.transaction(async (trx) => {
        if (await siteStore(trx).find())
          throw badInput([
            {
              path: "",
              message:
                "This data folder already holds a site, and a file is only read into an empty one. Name another folder in SPRUNEL_DATA; nothing was changed.",
            },
          ]);
        const siteId = await siteStore(trx).add(file.site);
        for (const source of file.sources) await sourceStore(trx).add(siteId, source);
        for (const report of file.reports) await feedStore(trx).addReport(siteId, report);
        // Own bags get ids of this folder; shelf and mixes follow them.
        const ids = new Map<string, string>();
        for (const { id, ...product } of file.ownProducts) ids.set(id, await ownProductStore(trx).add(siteId, product));
        for (const { productId, ...item } of file.shelf)
          await feedStore(trx).putOnShelf(siteId, ids.get(productId) ?? productId, item);
        for (const { keptAt, asked, result, ...recipe } of file.recipes)
          await recipeStore(trx).add(siteId, {
            ...recipe,
            keptAtMs: Date.parse(keptAt),
            asked: { ...asked, wishes: withNewIds(asked.wishes, ids) },
            result: {
              ...result,
              lines: result.lines.map((line) => ({ ...line, productId: ids.get(line.productId) ?? line.productId })),
            },
          });
        const sources = await sourceStore(trx).list(siteId);
        for (const [at, zone] of file.zones.entries()) await zoneIn(trx, siteId, zone, sources, ids, `zones.${at}`);
        await weatherIn(trx, siteId, file.weather);
      });
      changed();
    },
  };
}
