import {
  addOwnProduct,
  getFeedStation,
  getProducts,
  getZoneFeed,
  putOnShelf,
  saveFeedSettings,
  saveFeedTarget,
  takeOffShelf,
  type FeedSettings,
  type FeedTarget,
  type FeedWishes,
  type NewMix,
  type NewOwnProduct,
  type ShelfUpdate,
  type ZoneFeed,
} from "@sprunel/contract/feed";
import { zoneQuestion, type Draft, type RecipeInput } from "@sprunel/core/feed/recipe";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ask } from "../http/api.ts";
import { useKept } from "../http/use-kept.ts";

export function useZoneFeed(zoneId: number, date: string | null) {
  return useQuery({
    queryKey: ["feed", "zone", zoneId, date],
    queryFn: ({ signal }) => ask(getZoneFeed, { params: { id: zoneId }, query: { date }, signal }),
  });
}

export function useFeedStation(date: string | null) {
  return useQuery({
    queryKey: ["feed", "station", date],
    queryFn: ({ signal }) => ask(getFeedStation, { query: { date }, signal }),
  });
}

export function useSaveTarget(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ version, target }: { version: number | null; target: FeedTarget }) =>
      ask(saveFeedTarget, { params: { id: zoneId }, body: { ...target, version } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ["feed"] }),
  });
}

export function useSaveSettings(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ version, settings }: { version: number | null; settings: FeedSettings }) =>
      ask(saveFeedSettings, { params: { id: zoneId }, body: { ...settings, version } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ["feed"] }),
  });
}

export function useLogMix(zoneId: number) {
  return useKept("mix", (mix: NewMix) => ({ params: { id: zoneId }, body: mix }));
}

export function useProducts() {
  return useQuery({
    queryKey: ["feed", "products"],
    queryFn: ({ signal }) => ask(getProducts, { signal }),
    staleTime: Infinity,
  });
}

export function useAddOwnProduct() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (product: NewOwnProduct) => ask(addOwnProduct, { body: product }),
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
        await (item
          ? ask(putOnShelf, { params: { productId }, body: item })
          : ask(takeOffShelf, { params: { productId } }));
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
  if (feed.own) {
    const { version: _version, keptIn: _keptIn, ...target } = feed.own;
    return target;
  }
  const found = feed.library;
  return found && { ions: found.ions, ph: found.ph, name: found.name };
}
