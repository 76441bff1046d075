import { z } from "zod";
import { labelSchema } from "../basics/basics.ts";
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
