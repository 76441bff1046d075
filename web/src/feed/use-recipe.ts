import type { Recipe, RecipeInput } from "@sprunel/core";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { wrap, type Remote } from "comlink";
import type { RecipeWorker } from "./recipe-worker.ts";

let shared: Remote<RecipeWorker> | undefined;

function solveInWorker(input: RecipeInput): Promise<Recipe> {
  shared ??= wrap<RecipeWorker>(new Worker(new URL("./recipe-worker.ts", import.meta.url), { type: "module" }));
  return shared.solve(input);
}

/**
 * The recipe for an input, solved in a worker while a person types. The latest input wins; until it is solved the
 * recipe before it stays to look at.
 */
export function useRecipe(input: RecipeInput | null) {
  return useQuery({
    queryKey: ["recipe", input],
    queryFn: () => (input ? solveInWorker(input) : null),
    enabled: input !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    // The same question has the same answer, and the worker no connection that could be lost.
    retry: false,
  });
}
