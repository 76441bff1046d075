import type { Asked, FeedCosts, KeptRecipe, NewKeptRecipe, UseRecipe, ZoneCost } from "@sprunel/contract/feed";
import type { Site } from "@sprunel/contract/site";
import { standingOn } from "@sprunel/core/crop";
import { recipe, withoutPrice, zoneQuestion, type RecipeCost, type RecipeInput } from "@sprunel/core/feed/recipe";
import { badInput, notFound, staleEdit } from "../http/problems.ts";
import type { PlanService } from "../plan/plan-service.ts";
import { keptOfSite } from "../scope/cache.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { feedRecords, waterOf, type FeedRecords } from "./feed-records.ts";
import { feedStore } from "./feed-store.ts";
import { withSolver } from "../pool/highs-solver.ts";
import { recipeStore } from "./recipe-store.ts";
import { askedIn, keptFor, ownTarget, USUAL, type Held } from "./zone-target.ts";

/** So many solved questions are remembered; zones that ask the same are solved once. */
const REMEMBERED = 1000;
/** A person is told how far it is so often. */
const TOLD_EVERY_MS = 40;

/** Answers by their question. */
const solvedIn = keptOfSite(() => new Map<string, RecipeCost>());

/** Recipes of all zones: solved, kept as versions, taken over, and told in money. */
export function recipeService(scope: Scope, plans: PlanService) {
  const solved = solvedIn(scope);

  async function costFor(question: RecipeInput): Promise<RecipeCost> {
    const key = JSON.stringify(question);
    const known = solved.get(key);
    if (known) return known;
    const answer = await scope.pool.run("recipe-cost", question);
    if (solved.size >= REMEMBERED) solved.delete(solved.keys().next().value ?? "");
    solved.set(key, answer);
    return answer;
  }

  async function book({ id: siteId }: Site): Promise<KeptRecipe[]> {
    const zones = await scope.zones();
    const today = await scope.site.dateOr(undefined);
    const held = await feedStore(scope).held();
    const asked = zones.map((zone) => ({ zone, text: askedText(askedIn(held, zone, today)) }));
    return (await recipeStore(scope).list(siteId)).map(
      ({ id, name, version, keptAtMs, madeIn, asked: own, result }) => ({
        id,
        name,
        version,
        keptAt: new Date(keptAtMs).toISOString(),
        madeIn,
        ...own,
        result,
        usedBy: asked
          .filter(({ text }) => text === askedText(own))
          .map(({ zone: { id: zoneId, name: zoneName } }) => ({ id: zoneId, name: zoneName })),
      }),
    );
  }

  return {
    async list(): Promise<KeptRecipe[]> {
      return book(await scope.site.current());
    },

    /** Solved here, with the zone's own water, shelf and tanks of the day. */
    async keep(zoneId: number, { key, name, ...asked }: NewKeptRecipe): Promise<KeptRecipe[]> {
      const [site, zone] = [await scope.site.current(), await scope.zone(zoneId)];
      const today = await scope.site.dateOr(undefined);
      const records = await feedRecords(scope, site.id, today);
      const settings = (await feedStore(scope).settings(zoneId)) ?? USUAL;
      const { water } = waterOf(records, zone);
      const question = zoneQuestion({ water, shelf: records.shelf, tanks: settings.tanks }, asked.target, asked.wishes);
      if (!question)
        throw badInput([
          {
            path: "",
            message: `${zone.name} has no water report or nothing on the shelf, so there is no recipe to keep.`,
          },
        ]);
      const { status, lines, delivered, costPerM3, nh4SharePct } = await withSolver((solver) =>
        recipe(question, solver),
      );
      const result = {
        status,
        lines: lines.map(({ productId, name: product, gM3, tankId, kgPerTank }) => ({
          productId,
          name: product,
          gM3,
          tankId,
          kgPerTank,
        })),
        delivered,
        costPerM3,
        nh4SharePct,
      };
      const kept = { key, name, keptAtMs: scope.clock(), madeIn: zone.name, asked, result };
      await scope.transaction((inner) => recipeStore(inner).add(site.id, kept));
      return book(site);
    },

    /** The recipe's target and limits become the zone's, both or neither. */
    async use(zoneId: number, { recipeId, targetVersion, settingsVersion }: UseRecipe): Promise<KeptRecipe[]> {
      const [site, zone] = [await scope.site.current(), await scope.zone(zoneId)];
      const kept = (await recipeStore(scope).list(site.id)).find(({ id }) => id === recipeId);
      if (!kept) throw notFound(`Recipe ${recipeId}`);
      await scope.transaction(async (inner) => {
        const store = feedStore(inner);
        const [target, settings] = [await store.target(zoneId), await store.settings(zoneId)];
        const standing = standingOn(zone.grown, await inner.site.dateOr(undefined));
        if ((ownTarget(target, standing)?.version ?? null) !== targetVersion)
          throw staleEdit(`The target of ${zone.name}`, target);
        if ((settings?.version ?? null) !== settingsVersion) throw staleEdit(`The tanks of ${zone.name}`, settings);
        const named = { ...kept.asked.target, name: kept.name };
        await store.saveTarget(zoneId, (target?.version ?? 0) + 1, keptFor(named, standing));
        const { version: _version, ...others } = settings ?? { ...USUAL, version: 0 };
        await store.saveSettings(zoneId, (settingsVersion ?? 0) + 1, { ...others, wishes: kept.asked.wishes });
      });
      return book(site);
    },

    /** Every zone's recipe at the shelf's prices of now. `told` hears how far it is. */
    async costs(asked: string | undefined, told: (done: number, of: number) => void): Promise<FeedCosts> {
      const site = await scope.site.current();
      const date = await scope.site.dateOr(asked);
      const zones = await scope.zones();
      const records = await feedRecords(scope, site.id, date);
      const waters = await plans.water(site, zones, date);
      const held = await feedStore(scope).held();
      const costs: ZoneCost[] = [];
      let toldAt = performance.now();
      for (const zone of zones) {
        costs.push(await costOf(zone, { records, held, date, litres: waters.get(zone.id)?.[0]?.drawnL ?? 0 }));
        if (performance.now() - toldAt < TOLD_EVERY_MS) continue;
        told(costs.length, zones.length);
        toldAt = performance.now();
      }
      return {
        zones: costs,
        stockKg: Object.fromEntries(records.shelf.map(({ product, stockKg }) => [product.id, stockKg])),
      };
    },
  };

  async function costOf(zone: StoredZone, { records, held, date, litres }: Known): Promise<ZoneCost> {
    const asked = askedIn(held, zone, date);
    const { tanks } = held.settings.get(zone.id) ?? USUAL;
    const { water } = waterOf(records, zone);
    const question = asked && zoneQuestion({ water, shelf: records.shelf, tanks }, asked.target, asked.wishes);
    const answer = question && (await costFor(question));
    const unpriced = withoutPrice(answer?.lines ?? [], records.shelf);
    return {
      unpriced,
      zoneId: zone.id,
      name: zone.name,
      m3Day: litres / 1000,
      status: answer?.status ?? null,
      costPerM3: answer && unpriced.length === 0 ? answer.costPerM3 : null,
      lines: (answer?.lines ?? []).map(({ productId, name, gM3, tankId, kgPerTank }) => ({
        ...{ productId, name, gM3, tankId, kgPerTank },
      })),
    };
  }
}

interface Known {
  readonly records: FeedRecords;
  readonly held: Held;
  readonly date: string;
  readonly litres: number;
}

/** The same demands have the same text, in whatever order they were typed. */
function askedText(asked: Asked | null): string | null {
  if (!asked) return null;
  const sorted = (ions: object): unknown[] => Object.entries(ions).sort(([a], [b]) => a.localeCompare(b));
  const { target, wishes } = asked;
  return JSON.stringify([
    target.ph,
    sorted(target.ions),
    wishes.nh4ShareMostPct,
    sorted(wishes.limits),
    sorted(wishes.locks),
  ]);
}
