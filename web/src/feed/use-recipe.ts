import type { Recipe, RecipeInput } from "@sprunel/core";
import { wrap, type Remote } from "comlink";
import { useEffect, useState } from "react";
import type { RecipeWorker } from "./recipe-worker.ts";

export type RecipeState =
  | { readonly status: "idle" }
  /** `last` is the recipe before this change, still good to look at */
  | { readonly status: "solving"; readonly last: Recipe | null }
  | { readonly status: "solved"; readonly recipe: Recipe }
  | { readonly status: "failed"; readonly message: string };

let shared: Remote<RecipeWorker> | undefined;

/** The recipe for an input, solved in a worker while a person types; the latest input wins. */
export function useRecipe(input: RecipeInput | null): RecipeState {
  const [state, setState] = useState<RecipeState>({ status: "idle" });
  // A target is a handful of numbers: its text is the cheapest way to know that nothing changed.
  const key = JSON.stringify(input);
  useEffect(() => {
    const asked = JSON.parse(key) as RecipeInput | null;
    if (!asked) return;
    let current = true;
    setState((before) => ({
      status: "solving",
      last: before.status === "solved" ? before.recipe : before.status === "solving" ? before.last : null,
    }));
    shared ??= wrap<RecipeWorker>(new Worker(new URL("./recipe-worker.ts", import.meta.url), { type: "module" }));
    shared.solve(asked).then(
      (recipe) => {
        if (current) setState({ status: "solved", recipe });
      },
      (error: unknown) => {
        if (current) setState({ status: "failed", message: error instanceof Error ? error.message : String(error) });
      },
    );
    return () => {
      current = false;
    };
  }, [key]);
  return state;
}

export function shownRecipe(state: RecipeState): Recipe | null {
  if (state.status === "solved") return state.recipe;
  return state.status === "solving" ? state.last : null;
}
