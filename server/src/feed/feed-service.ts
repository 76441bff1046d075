import type { FeedSettings, FeedTarget, NewMix, NewOwnProduct, ShelfUpdate, ZoneFeed } from "@sprunel/contract/feed";
import { standingOn } from "@sprunel/core/crop";
import { stageTarget } from "@sprunel/core/feed/recipe";
import { badInput, staleEdit } from "../http/problems.ts";
import type { Records } from "../plan/planners.ts";
import type { PlanService } from "../plan/plan-service.ts";
import { cached } from "../scope/cache.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { nitrogenIn } from "./dose-nitrogen.ts";
import { feedRecords, productsOf, waterOf } from "./feed-records.ts";
import { feedStore } from "./feed-store.ts";
import { ownAsProduct } from "./own-product.ts";
import { ownProductStore } from "./own-product-store.ts";
import { fedOn, keptFor, ownTarget, recipeOn, settingsOn } from "./zone-target.ts";

/** A mix may be typed in a little ahead of the server's clock. */
const MOST_AHEAD_MS = 10 * 60_000;

/** Own targets and settings of all zones; every plan asks for them. */
const heldIn = cached(["feed_target", "feed_settings", "dose_programme"], (scope) => feedStore(scope).held());

export type FeedService = ReturnType<typeof feedService>;

/** Decisions about feeding: which target and water are in force, and what a mix takes off the shelf. */
export function feedService(scope: Scope, plans: PlanService) {
  return {
    async zoneFeed(id: number, asked: string | undefined): Promise<ZoneFeed> {
      const [site, zone, store] = [await scope.site.current(), await scope.zone(id), feedStore(scope)];
      const date = await scope.site.dateOr(asked);
      const standing = standingOn(zone.grown, date);
      const settings = (await store.settings(id)) ?? {
        ...settingsOn(await heldIn(scope), zone, standing),
        version: null,
      };
      const own = ownTarget(await store.target(id), standing);
      const library = standing && stageTarget(standing.state.period.stage);
      const records = await feedRecords(scope, site.id, date);
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
        own: own && {
          ions: own.ions,
          ph: own.ph,
          ...(own.name !== undefined && { name: own.name }),
          version: own.version,
          keptIn: standing?.crop.stages.find((stage) => stage.id === own.stageId)?.name ?? null,
        },
        ...waterOf(records, zone),
        shelf: records.shelf,
        settings,
        tanks: settings.tanks,
        mixes: await store.mixes(id),
        litresToday: (await plans.zoneDay(id, date)).plan?.litres ?? null,
      };
    },

    /** What is in the water of zones, and what nitrogen comes beside it, on any date. */
    async intoRoots(): Promise<Pick<Records, "fedOn" | "nitrogenOn">> {
      const held = await heldIn(scope);
      return { fedOn: (zone, date) => fedOn(held, zone, date), nitrogenOn: await nitrogenIn(scope) };
    },

    /** By what name the feed of each zone goes on a date; null for plain water. */
    async recipesOn(zones: readonly StoredZone[], date: string): Promise<ReadonlyMap<number, string | null>> {
      const held = await heldIn(scope);
      return new Map(zones.map((zone) => [zone.id, recipeOn(held, zone, date)]));
    },

    /** `version` null: the library's target was changed, there is no own one yet. */
    async saveTarget(id: number, version: number | null, target: FeedTarget): Promise<void> {
      const zone = await scope.zone(id);
      await scope.transaction(async (inner) => {
        const standing = standingOn(zone.grown, await inner.site.dateOr(undefined));
        const last = await feedStore(inner).target(id);
        const current = ownTarget(last, standing);
        if ((current?.version ?? null) !== version) throw staleEdit(`The target of ${zone.name}`, current);
        await feedStore(inner).saveTarget(id, (last?.version ?? 0) + 1, keptFor(target, standing));
      });
    },

    /** `version` null: the usual tanks were changed, there are no own ones yet. */
    async saveSettings(id: number, version: number | null, settings: FeedSettings): Promise<void> {
      const zone = await scope.zone(id);
      await scope.transaction(async (inner) => {
        const current = await feedStore(inner).settings(id);
        if ((current?.version ?? null) !== version) throw staleEdit(`The tanks of ${zone.name}`, current);
        await feedStore(inner).saveSettings(id, (version ?? 0) + 1, settings);
      });
    },

    async dropTarget(id: number): Promise<void> {
      await scope.zone(id);
      await scope.transaction((inner) => feedStore(inner).dropTarget(id));
    },

    /** `version` null: it is not on the shelf yet. */
    async putOnShelf(productId: string, { version, ...item }: ShelfUpdate): Promise<void> {
      const site = await scope.site.current();
      const product = (await productsOf(scope, site.id)).productOf(productId);
      if (!product)
        throw badInput([
          { path: "productId", message: `${productId} is neither in the library of products nor a bag of your own.` },
        ]);
      await scope.transaction(async (inner) => {
        const current = (await feedStore(inner).shelf(site.id)).find((one) => one.productId === productId) ?? null;
        if ((current?.version ?? null) !== version) throw staleEdit(`${product.name} on the shelf`, current);
        await feedStore(inner).putOnShelf(site.id, productId, item);
      });
    },

    /** A bag by its label goes onto the shelf at once, without stock or price. */
    async addOwnProduct(product: NewOwnProduct): Promise<void> {
      ownAsProduct({ ...product, id: "own" });
      const site = await scope.site.current();
      await scope.transaction(async (inner) => {
        const id = await ownProductStore(inner).add(site.id, product);
        await feedStore(inner).putOnShelf(site.id, id, { priceKg: null, stockKg: null });
      });
    },

    async takeOffShelf(productId: string): Promise<void> {
      await scope.transaction(async (inner) =>
        feedStore(inner).takeOffShelf((await inner.site.current()).id, productId),
      );
    },

    /** Writes the mix and draws the shelf down, both or neither; the same mix sent twice counts once. */
    async logMix(id: number, mix: NewMix): Promise<void> {
      const [site] = [await scope.site.current(), await scope.zone(id)];
      const { productOf } = await productsOf(scope, site.id);
      const faults = mix.lines.flatMap(({ productId }, at) =>
        productOf(productId)
          ? []
          : [{ path: `lines.${at}.productId`, message: `There is no product ${productId}; nothing was logged.` }],
      );
      if (Date.parse(mix.mixedAt) > scope.clock() + MOST_AHEAD_MS)
        faults.push({ path: "mixedAt", message: `A mix cannot be from ${mix.mixedAt}, which is still to come.` });
      if (faults.length > 0) throw badInput(faults);
      await scope.transaction(async (inner) => {
        const store = feedStore(inner);
        if (!(await store.addMix(id, mix))) return;
        for (const line of mix.lines) await store.drawDown(site.id, line.productId, line.kg);
      });
    },
  };
}
