import { newLeafTakenSchema } from "./leaf-taken.ts";
import { dosePlanSchema, newDoseRecordSchema, savedProgrammeSchema, weekOfDosesSchema } from "./dose-plan.ts";
import { keptProgrammesSchema, newKeptProgrammeSchema } from "./dose-programme.ts";
import {
  doseCalendarAnswerSchema,
  doseCalendarRequestSchema,
  doseNeedAnswerSchema,
  doseNeedRequestSchema,
} from "./doses.ts";
import { z } from "zod";
import { idParamSchema, labelSchema } from "../basics/basics.ts";
import { dateQuery, emptySchema, endpoint, oneParams } from "../basics/endpoint.ts";
import {
  feedSettingsUpdateSchema,
  feedTargetUpdateSchema,
  newMixSchema,
  shelfUpdateSchema,
  zoneFeedSchema,
} from "./feed.ts";
import { feedStationSchema } from "./feed-station.ts";
import { feedCostsLineSchema, keptRecipesSchema, newKeptRecipeSchema, useRecipeSchema } from "./kept-recipe.ts";
import { nutrientBooksSchema, nutrientRulesUpdateSchema } from "./nutrient-books.ts";
import { newOwnProductSchema } from "./own-product.ts";
import { productListSchema, recipeAnswerSchema, recipeRequestSchema } from "./recipe.ts";

export const getZoneFeed = endpoint({
  method: "get",
  path: "/api/zones/:id/feed",
  needs: "see",
  summary: "All that a zone's feed stands on: target, water, shelf, tanks, what was mixed",
  params: oneParams,
  query: dateQuery,
  answer: zoneFeedSchema,
});

export const getFeedStation = endpoint({
  method: "get",
  path: "/api/feed",
  needs: "see",
  summary: "Every fed zone's tanks with level and days left, and the shelf",
  query: dateQuery,
  answer: feedStationSchema,
});

export const saveFeedTarget = endpoint({
  method: "put",
  path: "/api/zones/:id/feed-target",
  needs: "plan",
  summary: "A zone's own target; 409 when the version is old",
  params: oneParams,
  body: feedTargetUpdateSchema,
  answer: zoneFeedSchema,
});

export const dropFeedTarget = endpoint({
  method: "delete",
  path: "/api/zones/:id/feed-target",
  needs: "plan",
  summary: "Back to the library's target",
  params: oneParams,
  answer: zoneFeedSchema,
});

export const saveFeedSettings = endpoint({
  method: "put",
  path: "/api/zones/:id/feed-settings",
  needs: "plan",
  summary: "Tanks, scales and limits of a zone; 409 when the version is old",
  params: oneParams,
  body: feedSettingsUpdateSchema,
  answer: zoneFeedSchema,
});

export const addMix = endpoint({
  method: "post",
  path: "/api/zones/:id/mixes",
  needs: "feed.mix",
  summary: "A mix as weighed in: drawn off the shelf, counted once",
  params: oneParams,
  body: newMixSchema,
  answer: zoneFeedSchema,
  status: 201,
});

export const getProducts = endpoint({
  method: "get",
  path: "/api/products",
  needs: "see",
  summary: "The library of products that a recipe may name",
  answer: productListSchema,
});

export const addOwnProduct = endpoint({
  method: "post",
  path: "/api/own-products",
  needs: "shelf",
  summary: "A bag by its label, onto the shelf",
  body: newOwnProductSchema,
  answer: emptySchema,
  status: 201,
});

export const putOnShelf = endpoint({
  method: "put",
  path: "/api/shelf/:productId",
  needs: "shelf",
  summary: "Price and stock of a product",
  params: z.object({ productId: labelSchema("The product") }),
  body: shelfUpdateSchema,
  answer: emptySchema,
});

export const takeOffShelf = endpoint({
  method: "delete",
  path: "/api/shelf/:productId",
  needs: "shelf",
  summary: "Take a product off the shelf",
  params: z.object({ productId: labelSchema("The product") }),
  answer: emptySchema,
});

export const getRecipes = endpoint({
  method: "get",
  path: "/api/recipes",
  needs: "see",
  summary: "Kept recipes with their versions and the zones that use them",
  answer: keptRecipesSchema,
});

export const keepRecipe = endpoint({
  method: "post",
  path: "/api/zones/:id/recipes",
  needs: "plan",
  summary: "Keep a recipe under a name, as the next version",
  params: oneParams,
  body: newKeptRecipeSchema,
  answer: keptRecipesSchema,
  status: 201,
});

export const useRecipe = endpoint({
  method: "put",
  path: "/api/zones/:id/recipe",
  needs: "plan",
  summary: "A kept recipe's target and limits become the zone's; 409 when a version is old",
  params: oneParams,
  body: useRecipeSchema,
  answer: keptRecipesSchema,
});

export const getFeedCosts = endpoint({
  method: "get",
  path: "/api/feed-costs",
  needs: "money",
  summary: "Every zone's feed in money, a JSON object a line: how far it is, then the answer",
  query: dateQuery,
  answer: feedCostsLineSchema,
  media: "application/x-ndjson",
});

export const computeRecipe = endpoint({
  method: "post",
  path: "/api/compute/recipe",
  needs: "see",
  summary: "Grams of products that make a feed of a water",
  body: recipeRequestSchema,
  answer: recipeAnswerSchema,
});

export const computeDoseNeed = endpoint({
  method: "post",
  path: "/api/compute/dose-need",
  needs: "see",
  summary: "What a field is to be given of N, P and K for a yield",
  body: doseNeedRequestSchema,
  answer: doseNeedAnswerSchema,
});

export const computeDoseCalendar = endpoint({
  method: "post",
  path: "/api/compute/dose-calendar",
  needs: "see",
  summary: "What is to be given, on dates and in products",
  body: doseCalendarRequestSchema,
  answer: doseCalendarAnswerSchema,
});

export const getDosePlan = endpoint({
  method: "get",
  path: "/api/zones/:id/dose-plan",
  needs: "see",
  summary: "A planting's need of N, P and K, its calendar of doses, and its books",
  params: oneParams,
  query: dateQuery,
  answer: dosePlanSchema,
});

export const saveProgramme = endpoint({
  method: "put",
  path: "/api/zones/:id/dose-programme",
  needs: "plan",
  summary: "How the planting that stands is fed in doses; 409 when the version is old",
  params: oneParams,
  body: savedProgrammeSchema,
  answer: dosePlanSchema,
});

export const getKeptProgrammes = endpoint({
  method: "get",
  path: "/api/dose-programmes",
  needs: "see",
  summary: "Programmes of doses that were kept under a name, with the zones that they are in force in",
  answer: keptProgrammesSchema,
});

export const keepProgramme = endpoint({
  method: "post",
  path: "/api/zones/:id/dose-programmes",
  needs: "plan",
  summary: "Keep a programme of doses under a name, as the next version",
  params: oneParams,
  body: newKeptProgrammeSchema,
  answer: keptProgrammesSchema,
  status: 201,
});

export const recordDose = endpoint({
  method: "post",
  path: "/api/zones/:id/dose-records",
  needs: "feed.dose",
  summary: "A dose was given, with what it really was, or skipped, with why; its key makes it count once",
  params: oneParams,
  body: newDoseRecordSchema,
  answer: dosePlanSchema,
  status: 201,
});

export const takeDoseBack = endpoint({
  method: "delete",
  path: "/api/zones/:id/dose-records/:record",
  needs: "feed.dose",
  summary: "What was noted of a dose does not count; the stock is as it was before it",
  params: oneParams.extend({ record: idParamSchema }),
  answer: dosePlanSchema,
});

export const noteLeafTaken = endpoint({
  method: "post",
  path: "/api/zones/:id/leaf-taken",
  needs: "work",
  summary: "Leaf was carried away beside what was picked; its key makes it count once",
  params: oneParams,
  body: newLeafTakenSchema,
  answer: dosePlanSchema,
  status: 201,
});

export const strikeLeafTaken = endpoint({
  method: "delete",
  path: "/api/zones/:id/leaf-taken/:record",
  needs: "work",
  summary: "A note of leaf that was carried away does not count",
  params: oneParams.extend({ record: idParamSchema }),
  answer: dosePlanSchema,
});

export const getWeekOfDoses = endpoint({
  method: "get",
  path: "/api/doses",
  needs: "see",
  summary: "What is to be given in all zones in the week from a date on, and what is overdue",
  query: dateQuery,
  answer: weekOfDosesSchema,
});

export const getDoseTable = endpoint({
  method: "get",
  path: "/api/zones/:id/doses.csv",
  needs: "see",
  summary: "A planting's calendar of doses as a table",
  params: oneParams,
  query: dateQuery,
  answer: z.string(),
  media: "text/csv",
});

export const getNutrientBooks = endpoint({
  method: "get",
  path: "/api/nutrient-books",
  needs: "see",
  summary: "N, P and K of every zone by calendar year and source, against the rules of the place",
  answer: nutrientBooksSchema,
});

export const saveNutrientRules = endpoint({
  method: "put",
  path: "/api/nutrient-rules",
  needs: "set-up",
  summary: "What the rules of the place allow in a year; 409 when the version is old",
  body: nutrientRulesUpdateSchema,
  answer: nutrientBooksSchema,
});

export const getNutrientTable = endpoint({
  method: "get",
  path: "/api/nutrient-books.csv",
  needs: "see",
  summary: "Everything that came to a hectare or was taken off it, a row each, as elements and as oxides",
  answer: z.string(),
  media: "text/csv",
});
