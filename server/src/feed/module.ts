import {
  addMix,
  addOwnProduct,
  computeDoseCalendar,
  computeDoseNeed,
  computeRecipe,
  dropFeedTarget,
  getDosePlan,
  getDoseTable,
  getKeptProgrammes,
  getNutrientBooks,
  getNutrientTable,
  getFeedCosts,
  getFeedStation,
  getProducts,
  getRecipes,
  getWeekOfDoses,
  getZoneFeed,
  keepProgramme,
  keepRecipe,
  noteLeafTaken,
  putOnShelf,
  recordDose,
  saveFeedSettings,
  saveFeedTarget,
  saveNutrientRules,
  saveProgramme,
  strikeLeafTaken,
  takeDoseBack,
  takeOffShelf,
  useRecipe,
} from "@sprunel/contract/feed";
import { PRODUCTS } from "@sprunel/core/feed/products";
import { recipe } from "@sprunel/core/feed/recipe";
import { doseCalendar, doseNeed } from "@sprunel/core/feed/doses";
import type { WeatherService } from "../climate/weather-service.ts";
import { DATED } from "../crop/calendar.ts";
import { sendCsv } from "../http/csv.ts";
import { served, written } from "../http/served.ts";
import { FED } from "../plan/planners.ts";
import type { PlanService } from "../plan/plan-service.ts";
import { withSolver } from "../pool/highs-solver.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { doseLight } from "./dose-light.ts";
import { dosePlanService, type DosePlanService } from "./dose-plan-service.ts";
import { feedStation } from "./feed-station.ts";
import { feedService, type FeedService } from "./feed-service.ts";
import { asListed } from "./feed-records.ts";
import { feedInFile } from "./in-site-file.ts";
import { keptProgrammeService } from "./kept-programme-service.ts";
import { nutrientBooksService } from "./nutrient-books-service.ts";
import { recipeService } from "./recipe-service.ts";

export function feedModule(
  scope: Scope,
  { plans, weather }: { readonly plans: PlanService; readonly weather: WeatherService },
): Module & { readonly feed: FeedService; readonly doses: DosePlanService } {
  const feed = feedService(scope, plans);
  const recipes = recipeService(scope, plans);
  const doses = dosePlanService(scope, plans, doseLight(scope, weather));
  scope.ports.answer(FED, () => feed.intoRoots());
  scope.ports.answer(DATED, () => doses.dated());
  const programmes = keptProgrammeService(scope);
  const nutrients = nutrientBooksService(scope);
  return {
    feed,
    doses,
    ofZone: {
      noted: ["mix", "dose_record", "leaf_taken"],
      set: ["feed_settings", "feed_target"],
      // Of a planting, which a zone like it does not have.
      gone: ["dose_programme"],
    },
    routes: [
      served(getZoneFeed, ({ params: { id }, query: { date } }) => feed.zoneFeed(id, date)),
      served(getFeedStation, ({ query: { date } }) => feedStation(scope, plans, date)),
      served(saveFeedTarget, async ({ params: { id }, body: { version, ...target } }) => {
        await feed.saveTarget(id, version, target);
        return feed.zoneFeed(id, undefined);
      }),
      served(dropFeedTarget, async ({ params: { id } }) => {
        await feed.dropTarget(id);
        return feed.zoneFeed(id, undefined);
      }),
      served(saveFeedSettings, async ({ params: { id }, body: { version, ...settings } }) => {
        await feed.saveSettings(id, version, settings);
        return feed.zoneFeed(id, undefined);
      }),
      served(addMix, async ({ params: { id }, body }) => {
        await feed.logMix(id, body);
        return feed.zoneFeed(id, undefined);
      }),
      served(getProducts, () => ({ products: PRODUCTS.map(asListed) })),
      served(addOwnProduct, async ({ body }) => {
        await feed.addOwnProduct(body);
        return {};
      }),
      served(putOnShelf, async ({ params: { productId }, body }) => {
        await feed.putOnShelf(productId, body);
        return {};
      }),
      served(takeOffShelf, async ({ params: { productId } }) => {
        await feed.takeOffShelf(productId);
        return {};
      }),
      served(getRecipes, async () => ({ recipes: await recipes.list() })),
      served(keepRecipe, async ({ params: { id }, body }) => ({ recipes: await recipes.keep(id, body) })),
      served(useRecipe, async ({ params: { id }, body }) => ({ recipes: await recipes.use(id, body) })),
      // The head waits for the first line, so that a refusal is still a problem document.
      written(getFeedCosts, async ({ query: { date } }, res) => {
        const line = (value: object): void => {
          if (!res.headersSent) res.type(getFeedCosts.media);
          res.write(`${JSON.stringify(value)}\n`);
          res.flush();
        };
        line(await recipes.costs(date, (done, of) => line({ done, of })));
        res.end();
      }),
      served(getDosePlan, ({ params: { id }, query: { date } }) => doses.dosePlan(id, date)),
      served(saveProgramme, ({ params: { id }, body: { version, programme } }) =>
        doses.saveProgramme(id, version, programme),
      ),
      served(getKeptProgrammes, async () => ({ programmes: await programmes.list() })),
      served(keepProgramme, async ({ params: { id }, body }) => ({ programmes: await programmes.keep(id, body) })),
      served(recordDose, ({ params: { id }, body }) => doses.record(id, body)),
      served(noteLeafTaken, ({ params: { id }, body }) => doses.noteLeaf(id, body)),
      served(strikeLeafTaken, ({ params: { id, record } }) => doses.strikeLeaf(id, record)),
      served(takeDoseBack, ({ params: { id, record } }) => doses.takeBack(id, record)),
      served(getWeekOfDoses, ({ query: { date } }) => doses.week(date)),
      written(getDoseTable, async ({ params: { id }, query: { date } }, res) => {
        const plan = await doses.dosePlan(id, date);
        sendCsv(
          res,
          "doses.csv",
          plan.doses.map(({ on, basal, onlyIf, state, nutrientsKgHa: { N, P, K }, products, injection, record }) => ({
            date: on,
            basal: basal ? "yes" : "",
            only_if: onlyIf,
            state,
            done_on: record?.doneOn ?? null,
            n_kg_ha: N,
            p_kg_ha: P,
            k_kg_ha: K,
            products: products.map(({ name, kg }) => `${name} ${kg.toFixed(3)} kg`).join("; "),
            fill_min: injection?.fillMin ?? null,
            inject_min: injection?.injectMin ?? null,
            flush_min: injection?.flushMin ?? null,
            concentrate_l: injection?.stockL ?? null,
            dripper_ec_ms_cm: injection?.ecMsCm ?? null,
            reason: record?.reason ?? null,
          })),
        );
      }),
      served(getNutrientBooks, () => nutrients.books()),
      served(saveNutrientRules, ({ body: { version, ...rules } }) => nutrients.saveRules(version, rules)),
      written(getNutrientTable, async (_asked, res) => {
        sendCsv(res, "nutrients.csv", await nutrients.table());
      }),
      served(computeDoseNeed, ({ body }) => doseNeed(body)),
      served(computeDoseCalendar, ({ body }) => withSolver((solve) => doseCalendar(body, solve))),
      served(computeRecipe, ({ body }) => withSolver((solve) => recipe(body, solve))),
    ],
    siteFile: feedInFile(),
  };
}
