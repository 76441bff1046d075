import { lpSolver, recipe, type Recipe, type RecipeInput } from "@sprunel/core/feed/recipe";
import { expose } from "comlink";
import loadHighs from "highs";
import wasmUrl from "highs/runtime?url";

const solver = loadHighs({ locateFile: () => wasmUrl }).then(lpSolver);

/** Recipes away from the page, so that typing never waits for the solver. */
const worker = {
  async solve(input: RecipeInput): Promise<Recipe> {
    return recipe(input, await solver);
  },
};

export type RecipeWorker = typeof worker;
expose(worker);
