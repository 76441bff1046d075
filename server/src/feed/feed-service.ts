import type { FeedSettings, FeedTarget, NewMix, NewOwnProduct, ShelfUpdate, ZoneFeed } from "@sprunel/contract/feed";
import type { NewWaterReport, WaterReport } from "@sprunel/contract/water";
import { standingOn } from "@sprunel/core/crop";
import { stageTarget } from "@sprunel/core/feed";
import { localDate } from "@sprunel/core/time";
import type { Knex } from "knex";
import { badInput, notFound, staleEdit } from "../http/problems.ts";
import type { PlanService } from "../plan/plan-service.ts";
import type { SetUpService } from "../site/set-up-service.ts";
import { zoneStore, type StoredZone } from "../site/zone-store.ts";
import { feedRecords, waterOf } from "./feed-records.ts";
import { feedStore } from "./feed-store.ts";
import { ownAsProduct } from "./own-product.ts";
import { ownProductStore } from "./own-product-store.ts";

export type FeedService = ReturnType<typeof feedService>;

/** Two concentrates of 200 L at one in a hundred: what most nurseries of this size stand on. Shown as such on the page. */
export const USUAL: FeedSettings = {
  tanks: [
    { id: "A", volumeL: 200, dilution: 100 },
    { id: "B", volumeL: 200, dilution: 100 },
  ],
  coarseG: 10,
  fineG: 0.1,
  wishes: { nh4ShareMostPct: null, limits: {}, locks: {} },
};

/** Decisions about feeding: which target and water are in force, and what a mix takes off the shelf. */
export function feedService(db: Knex, setUp: SetUpService, plans: PlanService, clock: () => number) {
  const zoneOf = async (id: number): Promise<StoredZone> => {
    const zone = await zoneStore(db).find(id);
    if (!zone) throw notFound(`Zone ${id}`);
    return zone;
  };
  return {
    async reports(): Promise<WaterReport[]> {
      return feedStore(db).reports((await setUp.site()).id);
    },

    async addReport(report: NewWaterReport): Promise<WaterReport[]> {
      const site = await setUp.site();
      await feedStore(db).addReport(site.id, report);
      return feedStore(db).reports(site.id);
    },

    async zoneFeed(id: number, asked: string | undefined): Promise<ZoneFeed> {
      const [site, zone, store] = [await setUp.site(), await zoneOf(id), feedStore(db)];
      const date = asked ?? localDate(clock(), site.timeZone);
      const settings = (await store.settings(id)) ?? { ...USUAL, version: null };
      const standing = standingOn(zone.plantings, date);
      const library = standing && stageTarget(standing.crop.id, standing.state.period.stage.id);
      const records = await feedRecords(db, site.id);
      return {
        zoneId: id,
        stage: standing?.state.period.stage.name ?? null,
        library: library && {
          name: library.name,
          ions: library.ions,
          ph: library.ph,
          source: library.source,
          assumed: library.assumed,
        },
        own: await store.target(id),
        ...waterOf(records, zone, date),
        shelf: records.shelf,
        settings,
        tanks: settings.tanks,
        mixes: await store.mixes(id),
        litresToday: (await plans.zoneDay(id, date)).plan?.litres ?? null,
      };
    },

    /** `version` null: the library's target was changed, there is no own one yet. */
    async saveTarget(id: number, version: number | null, target: FeedTarget): Promise<void> {
      const zone = await zoneOf(id);
      await db.transaction(async (trx) => {
        const current = await feedStore(trx).target(id);
        if ((current?.version ?? null) !== version) throw staleEdit(`The target of ${zone.name}`, current);
        await feedStore(trx).saveTarget(id, (version ?? 0) + 1, target);
      });
    },

    /** `version` null: the usual tanks were changed, there are no own ones yet. */
    async saveSettings(id: number, version: number | null, settings: FeedSettings): Promise<void> {
      const zone = await zoneOf(id);
      await db.transaction(async (trx) => {
        const current = await feedStore(trx).settings(id);
        if ((current?.version ?? null) !== version) throw staleEdit(`The tanks of ${zone.name}`, current);
        await feedStore(trx).saveSettings(id, (version ?? 0) + 1, settings);
      });
    },

    async dropTarget(id: number): Promise<void> {
      await zoneOf(id);
      await feedStore(db).dropTarget(id);
    },

    async putOnShelf(productId: string, item: ShelfUpdate): Promise<void> {
      const site = await setUp.site();
      if (!(await feedRecords(db, site.id)).productOf(productId))
        throw badInput([
          { path: "productId", message: `${productId} is neither in the library of products nor a bag of your own.` },
        ]);
      await feedStore(db).putOnShelf(site.id, productId, item);
    },

    /** A bag by its label goes onto the shelf at once, without stock or price. */
    async addOwnProduct(product: NewOwnProduct): Promise<void> {
      ownAsProduct({ ...product, id: "own" });
      const site = await setUp.site();
      await db.transaction(async (trx) => {
        const id = await ownProductStore(trx).add(site.id, product);
        await feedStore(trx).putOnShelf(site.id, id, { priceKg: null, stockKg: 0 });
      });
    },

    async takeOffShelf(productId: string): Promise<void> {
      await feedStore(db).takeOffShelf((await setUp.site()).id, productId);
    },

    /** Writes the mix and draws the shelf down, both or neither; the same mix sent twice counts once. */
    async logMix(id: number, mix: NewMix): Promise<void> {
      const [site] = [await setUp.site(), await zoneOf(id)];
      await db.transaction(async (trx) => {
        const store = feedStore(trx);
        if (!(await store.addMix(id, clock(), mix))) return;
        for (const line of mix.lines) await store.drawDown(site.id, line.productId, line.kg);
      });
    },
  };
}
