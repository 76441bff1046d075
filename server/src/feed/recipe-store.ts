import { askedSchema, recipeResultSchema, type Asked, type RecipeResult } from "@sprunel/contract/feed";
import type { Writer } from "../scope/scope.ts";
import { keptVersions, type KeptVersion } from "./kept-versions.ts";

interface StoredRecipe extends KeptVersion {
  readonly asked: Asked;
  readonly result: RecipeResult;
}

/** Kept recipes. */
export function recipeStore(writer: Writer) {
  const kept = keptVersions(writer, "kept_recipe", ["asked", "result"]);
  return {
    /** Newest first. */
    async list(siteId: number): Promise<StoredRecipe[]> {
      return (await kept.list(siteId)).map(({ asked, result, ...version }) => ({
        ...version,
        asked: askedSchema.parse(asked),
        result: recipeResultSchema.parse(result),
      }));
    },
    add: (siteId: number, recipe: Omit<StoredRecipe, "id" | "version">): Promise<void> => kept.add(siteId, recipe),
  };
}
