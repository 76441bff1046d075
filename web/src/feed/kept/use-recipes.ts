import {
  getFeedCosts,
  getRecipes,
  keepRecipe,
  useRecipe,
  type FeedCosts,
  type NewKeptRecipe,
  type UseRecipe,
} from "@sprunel/contract/feed";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answerInPlace } from "../../http/answer-in-place.ts";
import { ask, askLines } from "../../http/api.ts";

const BOOK = ["feed", "recipes"];

export function useRecipes() {
  return useQuery({ queryKey: BOOK, queryFn: ({ signal }) => ask(getRecipes, { signal }) });
}

export function useKeepRecipe(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (recipe: NewKeptRecipe) => ask(keepRecipe, { params: { id: zoneId }, body: recipe }),
    onSuccess: (answer) => answerInPlace(client, BOOK, answer),
  });
}

export function useUseRecipe(zoneId: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (use: UseRecipe) => ask(useRecipe, { params: { id: zoneId }, body: use }),
    onSuccess: () => client.invalidateQueries({ queryKey: ["feed"] }),
  });
}

interface Progress {
  readonly done: number;
  readonly of: number;
}

/** Every zone's feed in money, with how far the sum is while it runs. */
export function useFeedCosts(date: string | null) {
  const [progress, setProgress] = useState<Progress | null>(null);
  const costs = useQuery({
    queryKey: ["feed", "costs", date],
    queryFn: async ({ signal }): Promise<FeedCosts> => {
      let answer: FeedCosts | undefined;
      await askLines(getFeedCosts, { query: { date }, signal }, (line) => {
        if ("done" in line) setProgress(line);
        else answer = line;
      });
      if (!answer) throw new Error("The sum was broken off; ask for it again.");
      return answer;
    },
  });
  return { ...costs, progress };
}
