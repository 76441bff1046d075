import type {
  FeedSettings,
  FeedTarget,
  NewMix,
  NewOwnProduct,
  NewWaterReport,
  ShelfUpdate,
  WaterReport,
  ZoneFeed,
} from "@sprunel/contract";
import {
  compositionOfLabel,
  libraryProduct,
  localDate,
  mixWaters,
  stageTarget,
  standingOn,
  type LibraryProduct,
} from "@sprunel/core";
import type { Knex } from "knex";
import { badInput, notFound, staleEdit } from "../http/problems.ts";
import type { PlanService } from "../plan/plan-service.ts";
import type { SetUpService } from "../site/set-up-service.ts";
import { zoneStore, type StoredZone } from "../site/zone-store.ts";
import { sourceStore } from "../water/source-store.ts";
import { feedStore } from "./feed-store.ts";
import { ownProductStore, type OwnProduct } from "./own-product-store.ts";

export type FeedService = ReturnType<typeof feedService>;

/** Two concentrates of 200 L at one in a hundred: what most nurseries of this size stand on. Shown as such on the page. */
const USUAL: FeedSettings = {
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
  /** Products by id, the library's and the site's own. */
  async function productsOf(siteId: number): Promise<(id: string) => LibraryProduct | undefined> {
    const own = new Map((await ownProductStore(db).list(siteId)).map((product) => [product.id, ownAsProduct(product)]));
    return (id) => own.get(id) ?? libraryProduct(id);
  }

  /** The waters that a zone drinks, by their reports in force; the mix is null while one has no report. */
  async function waterOf(zone: StoredZone, date: string): Promise<Pick<ZoneFeed, "water" | "waters">> {
    const site = await setUp.site();
    const [sources, reports] = [await sourceStore(db).list(site.id), await feedStore(db).reports(site.id)];
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
      const productOf = await productsOf(site.id);
      const shelf = (await store.shelf(site.id)).flatMap(({ productId, priceKg, stockKg }) => {
        const product = productOf(productId);
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
        stage: standing?.state.period.stage.name ?? null,
        library: library && {
          name: library.name,
          ions: library.ions,
          ph: library.ph,
          source: library.source,
          assumed: library.assumed,
        },
        own: await store.target(id),
        ...(await waterOf(zone, date)),
        shelf,
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
      if (!(await productsOf(site.id))(productId))
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

/** @throws {DomainError} for a label that cannot be true */
function ownAsProduct({
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
