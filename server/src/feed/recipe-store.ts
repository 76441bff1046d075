import { askedSchema, recipeResultSchema, type Asked, type RecipeResult } from "@sprunel/contract/feed";
import type { Writer } from "../scope/scope.ts";

interface RecipeRow {
  id: number;
  key: string;
  site_id: number;
  name: string;
  version: number;
  kept_at_ms: number;
  made_in: string;
  asked: string;
  result: string;
  actor: string;
}

interface StoredRecipe {
  readonly id: number;
  readonly key: string;
  readonly name: string;
  readonly version: number;
  readonly keptAtMs: number;
  readonly madeIn: string;
  readonly asked: Asked;
  readonly result: RecipeResult;
}

/** All SQL about kept recipes; none is ever changed. */
export function recipeStore({ db, actor }: Writer) {
  return {
    /** Newest first. */
    async list(siteId: number): Promise<StoredRecipe[]> {
      const rows = await db<RecipeRow>("kept_recipe")
        .where({ site_id: siteId })
        .orderBy([
          { column: "kept_at_ms", order: "desc" },
          { column: "id", order: "desc" },
        ]);
      return rows.map((row) => ({
        id: row.id,
        key: row.key,
        name: row.name,
        version: row.version,
        keptAtMs: row.kept_at_ms,
        madeIn: row.made_in,
        asked: askedSchema.parse(JSON.parse(row.asked)),
        result: recipeResultSchema.parse(JSON.parse(row.result)),
      }));
    },
    /** The next version of its name; the same key a second time adds nothing. */
    async add(siteId: number, recipe: Omit<StoredRecipe, "id" | "version">): Promise<void> {
      const { key, name, keptAtMs, madeIn, asked, result } = recipe;
      const last = await db<RecipeRow>("kept_recipe")
        .where({ site_id: siteId, name })
        .orderBy("version", "desc")
        .first("version");
      await db<RecipeRow>("kept_recipe")
        .insert({
          key,
          site_id: siteId,
          name,
          version: (last?.version ?? 0) + 1,
          kept_at_ms: keptAtMs,
          made_in: madeIn,
          asked: JSON.stringify(asked),
          result: JSON.stringify(result),
          actor,
        })
        .onConflict("key")
        .ignore();
    },
  };
}
