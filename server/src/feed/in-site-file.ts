import type { DoseProgramme, FeedWishes } from "@sprunel/contract/feed";
import { iso, type SiteFilePart } from "../scope/site-file-part.ts";
import { dosePlanStore } from "./dose-plan-store.ts";
import { feedStore } from "./feed-store.ts";
import { keptProgrammeStore } from "./kept-programme-store.ts";
import { leafTakenStore } from "./leaf-taken-store.ts";
import { nutrientRulesStore } from "./nutrient-rules-store.ts";
import { ownProductStore } from "./own-product-store.ts";
import { recipeStore } from "./recipe-store.ts";

/** Own bags get ids of this folder; shelf, recipes, settled amounts and mixes follow them. */
export function feedInFile(): SiteFilePart {
  return {
    ofSite: {
      ownProducts: {
        async *out(scope, { siteId }) {
          yield* await ownProductStore(scope).list(siteId);
        },
        async in(scope, { siteId, productIds }, rows) {
          for (const { id, ...product } of rows) productIds.set(id, await ownProductStore(scope).add(siteId, product));
        },
      },
      shelf: {
        async *out(scope, { siteId }) {
          for (const { version: _version, ...item } of await feedStore(scope).shelf(siteId)) yield item;
        },
        async in(scope, { siteId, productIds }, rows) {
          for (const { productId, ...item } of rows)
            await feedStore(scope).putOnShelf(siteId, productIds.get(productId) ?? productId, item);
        },
      },
      recipes: {
        async *out(scope, { siteId }) {
          const recipes = (await recipeStore(scope).list(siteId)).reverse();
          for (const { id: _id, version: _version, keptAtMs, ...recipe } of recipes)
            yield { ...recipe, keptAt: iso(keptAtMs) };
        },
        async in(scope, { siteId, productIds }, rows) {
          for (const { keptAt, asked, result, ...recipe } of rows)
            await recipeStore(scope).add(siteId, {
              ...recipe,
              keptAtMs: Date.parse(keptAt),
              asked: { ...asked, wishes: withNewIds(asked.wishes, productIds) },
              result: { ...result, lines: result.lines.map((line) => withNewId(line, productIds)) },
            });
        },
      },
      nutrientRules: {
        async *out(scope, { siteId }) {
          const kept = await nutrientRulesStore(scope).find(siteId);
          if (kept) yield kept.rules;
        },
        async in(scope, { siteId }, rows) {
          for (const rules of rows) await nutrientRulesStore(scope).save(siteId, 1, rules);
        },
      },
      programmes: {
        async *out(scope, { siteId }) {
          const kept = (await keptProgrammeStore(scope).list(siteId)).reverse();
          for (const { id: _id, version: _version, keptAtMs, ...programme } of kept)
            yield { ...programme, keptAt: iso(keptAtMs) };
        },
        async in(scope, { siteId, productIds }, rows) {
          for (const { keptAt, programme, ...kept } of rows)
            await keptProgrammeStore(scope).add(siteId, {
              ...kept,
              keptAtMs: Date.parse(keptAt),
              programme: ofBagsHere(programme, productIds),
            });
        },
      },
    },
    valuesOfZone: {
      target: {
        async out(scope, { zoneId }) {
          const found = await feedStore(scope).target(zoneId);
          if (!found) return null;
          const { version: _version, ...target } = found;
          return target;
        },
        in: (scope, { zoneId }, target) => feedStore(scope).saveTarget(zoneId, 1, target),
      },
      feedSettings: {
        async out(scope, { zoneId }) {
          const found = await feedStore(scope).settings(zoneId);
          if (!found) return null;
          const { version: _version, ...settings } = found;
          return settings;
        },
        in: (scope, { zoneId, productIds }, settings) =>
          feedStore(scope).saveSettings(zoneId, 1, { ...settings, wishes: withNewIds(settings.wishes, productIds) }),
      },
    },
    ofZone: {
      doseProgrammes: {
        async *out(scope, { zoneId }) {
          yield* await dosePlanStore(scope).programmes(zoneId);
        },
        async in(scope, { zoneId, productIds }, rows) {
          for (const { planting, programme } of rows)
            await dosePlanStore(scope).save(zoneId, planting, 1, ofBagsHere(programme, productIds));
        },
      },
      doseRecords: {
        async *out(scope, { zoneId }) {
          for (const { id: _id, planting, struck, ...record } of await dosePlanStore(scope).all(zoneId))
            yield { planting, record, struck };
        },
        async in(scope, { zoneId, productIds }, rows) {
          for (const { planting, record, struck } of rows)
            await dosePlanStore(scope).add(
              zoneId,
              planting,
              { ...record, products: record.products.map((line) => withNewId(line, productIds)) },
              struck,
            );
        },
      },
      leafTaken: {
        async *out(scope, { zoneId }) {
          for (const { id: _id, planting, struck, ...leaf } of await leafTakenStore(scope).all(zoneId))
            yield { planting, leaf, struck };
        },
        async in(scope, { zoneId }, rows) {
          for (const { planting, leaf, struck } of rows)
            await leafTakenStore(scope).add(zoneId, planting, leaf, struck);
        },
      },
      mixes: {
        async *out(scope, { zoneId }) {
          yield* await feedStore(scope).allMixes(zoneId);
        },
        async in(scope, { zoneId, productIds }, rows) {
          for (const mix of rows)
            await feedStore(scope).addMix(zoneId, {
              ...mix,
              lines: mix.lines.map((line) => withNewId(line, productIds)),
            });
        },
      },
    },
  };
}

/** A programme whose own bags go by the ids that they have here. */
function ofBagsHere(programme: DoseProgramme, ids: ReadonlyMap<string, string>): DoseProgramme {
  const here = (some: readonly string[]): string[] => some.map((id) => ids.get(id) ?? id);
  return {
    ...programme,
    productIds: here(programme.productIds),
    dressings: programme.dressings.map((dressing) => ({
      ...dressing,
      productIds: dressing.productIds && here(dressing.productIds),
    })),
  };
}

function withNewId<T extends { readonly productId: string }>(line: T, ids: ReadonlyMap<string, string>): T {
  return { ...line, productId: ids.get(line.productId) ?? line.productId };
}

/** Amounts settled for own products, under the ids that they have here. */
function withNewIds(wishes: FeedWishes, ids: ReadonlyMap<string, string>): FeedWishes {
  const locks = Object.entries(wishes.locks).map(([id, gM3]) => [ids.get(id) ?? id, gM3] as const);
  return { ...wishes, locks: Object.fromEntries(locks) };
}
