import {
  productListSchema,
  zoneFeedSchema,
  waterReportsSchema,
  type FeedSettings,
  type FeedTarget,
  type FeedWishes,
  type LibraryProduct,
  type NewMix,
  type NewOwnProduct,
  type NewWaterReport,
  type ShelfUpdate,
  type ZoneFeed,
} from "@sprunel/contract";
import type { RecipeInput } from "@sprunel/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { z } from "zod";
import { getJson, sendJson } from "../http/api.ts";

export function useZoneFeed(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["feed", "zone", zoneId, date],
    queryFn: ({ signal }) =>
      getJson(`/api/zones/${zoneId}/feed${date === null ? "" : `?date=${date}`}`, zoneFeedSchema, signal),
  });
}

export function useSaveTarget(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ version, target }: { version: number | null; target: FeedTarget }) =>
      sendJson("PUT", `/api/zones/${zoneId}/feed-target`, { ...target, version }, zoneFeedSchema),
    onSuccess: () => client.invalidateQueries({ queryKey: ["feed"] }),
  });
}

export function useSaveSettings(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ version, settings }: { version: number | null; settings: FeedSettings }) =>
      sendJson("PUT", `/api/zones/${zoneId}/feed-settings`, { ...settings, version }, zoneFeedSchema),
    onSuccess: () => client.invalidateQueries({ queryKey: ["feed"] }),
  });
}

export function useLogMix(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (mix: NewMix) => sendJson("POST", `/api/zones/${zoneId}/mixes`, mix, zoneFeedSchema),
    onSuccess: () => client.invalidateQueries({ queryKey: ["feed"] }),
  });
}

export function useProducts() {
  return useQuery({
    queryKey: ["feed", "products"],
    queryFn: ({ signal }) => getJson("/api/products", productListSchema, signal),
    staleTime: Infinity,
  });
}

export function useAddOwnProduct() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (product: NewOwnProduct) => sendJson("POST", "/api/own-products", product, z.object({})),
    onSuccess: () => client.invalidateQueries({ queryKey: ["feed"] }),
  });
}

/** One product of the shelf: put there, priced anew, or taken away. */
export interface ShelfChange {
  readonly productId: string;
  /** null takes it away */
  readonly item: ShelfUpdate | null;
}

export function useChangeShelf() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (changes: readonly ShelfChange[]) => {
      for (const { productId, item } of changes)
        await sendJson(item ? "PUT" : "DELETE", `/api/shelf/${productId}`, item, z.object({}));
    },
    onSettled: () => client.invalidateQueries({ queryKey: ["feed"] }),
  });
}

export function useAddWaterReport() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (report: NewWaterReport) => sendJson("POST", "/api/water-reports", report, waterReportsSchema),
    onSuccess: () => client.invalidateQueries({ queryKey: ["feed"] }),
  });
}

/** Solubility is taken at the coldest that the store usually gets. */
const TANK_TEMPERATURE_C = 10;

/** What is tried out and not kept. */
export interface Draft {
  /** taken off the shelf for now */
  readonly leftOut?: ReadonlySet<string>;
  readonly wishes?: FeedWishes;
  /** products that do not stand on the shelf and might be bought */
  readonly bought?: readonly LibraryProduct[];
  /** waters that may be mixed as the recipe needs them, instead of the zone's own shares */
  readonly mixWith?: NonNullable<RecipeInput["mixWith"]>;
  readonly waterPriceM3?: number;
}
const NONE: ReadonlySet<string> = new Set();

/** The zone's feed as the recipe's question, with a target. */
export function recipeInput(
  feed: ZoneFeed,
  target: FeedTarget,
  { leftOut = NONE, wishes = feed.settings.wishes, bought = [], mixWith = [], waterPriceM3 = 0 }: Draft = {},
): RecipeInput | null {
  if (!feed.water) return null;
  const onShelf = new Set(feed.shelf.map(({ product }) => product.id));
  // What has no price yet counts as dear as the dearest on the shelf, so that it is not taken for nothing.
  const dearest = Math.max(0, ...feed.shelf.map(({ priceKg }) => priceKg ?? 0));
  const toBuy = bought.filter(({ id }) => !onShelf.has(id)).map((product) => ({ product, priceKg: dearest }));
  const products = [...feed.shelf, ...toBuy]
    .filter(({ product }) => !leftOut.has(product.id))
    .map(({ product, priceKg }) => ({
      id: product.id,
      name: product.name,
      form: product.form,
      composition: product.composition,
      ...(priceKg !== null && { priceKg }),
      ...(product.densityKgL !== undefined && { densityKgL: product.densityKgL }),
      ...(product.solubility?.[1] !== undefined && { solubilityGL: product.solubility[TANK_TEMPERATURE_C / 10] }),
      ...(product.chelate && { chelate: true }),
    }));
  if (products.length === 0) return null;
  return {
    water: { ions: feed.water.ions, ph: feed.water.ph, temperatureC: TANK_TEMPERATURE_C },
    target,
    products,
    tanks: feed.tanks,
    limits: wishes.limits,
    locks: Object.fromEntries(Object.entries(wishes.locks).filter(([id]) => products.some((one) => one.id === id))),
    ...(wishes.nh4ShareMostPct !== null && { nh4ShareMostPct: wishes.nh4ShareMostPct }),
    ...(mixWith.length > 0 && { mixWith, waterPriceM3 }),
  };
}

export function targetOf(feed: ZoneFeed): FeedTarget | null {
  const found = feed.own ?? feed.library;
  return found && { ions: found.ions, ph: found.ph };
}
