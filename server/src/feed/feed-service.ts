import type { FeedTarget, NewMix, NewWaterReport, ShelfUpdate, WaterReport, ZoneFeed } from "@sprunel/contract";
import { cropById, cropStateOn, libraryProduct, localDate, stageTarget } from "@sprunel/core";
import type { Knex } from "knex";
import { badInput, notFound, staleEdit } from "../http/problems.ts";
import type { PlanService } from "../plan/plan-service.ts";
import type { SetUpService } from "../site/set-up-service.ts";
import { zoneStore, type StoredZone } from "../site/zone-store.ts";
import { feedStore } from "./feed-store.ts";

export type FeedService = ReturnType<typeof feedService>;

/** Two concentrates of 200 L at one in a hundred: what most nurseries of this size stand on. Shown as such on the page. */
const USUAL_TANKS = [
  { id: "A", volumeL: 200, dilution: 100 },
  { id: "B", volumeL: 200, dilution: 100 },
];

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
      const { planting } = zone;
      const state = planting && cropStateOn(cropById(planting.cropId), planting.plantedOn, date, planting.signs);
      const library = planting && state ? stageTarget(planting.cropId, state.period.stage.id) : null;
      const shelf = (await store.shelf(site.id)).flatMap(({ productId, priceKg, stockKg }) => {
        const product = libraryProduct(productId);
        return product
          ? [
              {
                product: {
                  ...product,
                  solubility: product.solubility && [...product.solubility],
                  cautions: [...product.cautions],
                },
                priceKg,
                stockKg,
              },
            ]
          : [];
      });
      return {
        zoneId: id,
        stage: state?.period.stage.name ?? null,
        library: library && {
          name: library.name,
          ions: library.ions,
          ph: library.ph,
          source: library.source,
          assumed: library.assumed,
        },
        own: await store.target(id),
        water: (await store.reports(site.id)).find((report) => report.takenOn <= date) ?? null,
        shelf,
        tanks: USUAL_TANKS,
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

    async dropTarget(id: number): Promise<void> {
      await zoneOf(id);
      await feedStore(db).dropTarget(id);
    },

    async putOnShelf(productId: string, item: ShelfUpdate): Promise<void> {
      if (!libraryProduct(productId))
        throw badInput([{ path: "productId", message: `${productId} is not in the library of products.` }]);
      await feedStore(db).putOnShelf((await setUp.site()).id, productId, item);
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
