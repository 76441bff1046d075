import type { RecipeInput } from "@sprunel/core/feed/recipe";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { wrap } from "comlink";
import type { RecipeWorker } from "./recipe-worker.ts";

// Made while the feed is still on its way, so that the solver is ready when it comes.
const worker = wrap<RecipeWorker>(new Worker(new URL("./recipe-worker.ts", import.meta.url), { type: "module" }));

/**
 * The recipe for an input, solved in a worker while a person types. The latest input wins; until it is solved the
 * recipe before it stays to look at.
 */
export function useRecipe(input: RecipeInput | null) {
  return useQuery({
    queryKey: ["recipe", input],
    queryFn: () => (input ? worker.solve(input) : null),
    enabled: input !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    // The same question has the same answer, and the worker no connection that could be lost.
    retry: false,
  });
}
