import { lpSolver, recipe, type Recipe, type RecipeInput, type SolveLp } from "@sprunel/core";
import { expose } from "comlink";
import loadHighs from "highs";
import wasmUrl from "highs/runtime?url";

let loading: Promise<SolveLp> | undefined;

/** Recipes away from the page, so that typing never waits for the solver. */
const worker = {
  async solve(input: RecipeInput): Promise<Recipe> {
    loading ??= loadHighs({ locateFile: () => wasmUrl }).then(lpSolver);
    return recipe(input, await loading);
  },
};

export type RecipeWorker = typeof worker;
expose(worker);
