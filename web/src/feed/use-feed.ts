import {
  productListSchema,
  zoneFeedSchema,
  type FeedSettings,
  type FeedTarget,
  type FeedWishes,
  type NewMix,
  type NewOwnProduct,
  type ShelfUpdate,
  type ZoneFeed,
} from "@sprunel/contract/feed";
import { zoneQuestion, type Draft, type RecipeInput } from "@sprunel/core/feed";
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

/** The zone's feed as the recipe's question, with a target. */
export function recipeInput(
  feed: ZoneFeed,
  target: FeedTarget,
  { wishes = feed.settings.wishes, ...draft }: Draft & { readonly wishes?: FeedWishes } = {},
): RecipeInput | null {
  return zoneQuestion(feed, target, wishes, draft);
}

export function targetOf(feed: ZoneFeed): FeedTarget | null {
  const found = feed.own ?? feed.library;
  return found && { ions: found.ions, ph: found.ph };
}
