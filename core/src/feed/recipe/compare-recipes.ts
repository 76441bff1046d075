import { IONS, type Ion } from "../../chemistry/ions.ts";
import type { Recipe } from "./recipe.ts";

export type ComparedRecipe = Pick<Recipe, "lines" | "delivered" | "costPerM3" | "nh4SharePct">;

export interface RecipeDifference {
  readonly ions: readonly { readonly ion: Ion; readonly left: number; readonly right: number }[];
  readonly products: readonly {
    readonly productId: string;
    readonly name: string;
    /** g/m³ over all tanks */
    readonly left: number;
    readonly right: number;
  }[];
  readonly ecMsCm: readonly [number, number];
  readonly ph: readonly [number, number];
  readonly costPerM3: readonly [number, number];
  readonly nh4SharePct: readonly [number, number];
}

/** Two recipes side by side: every ion and product that either of them brings. */
export function compareRecipes(left: ComparedRecipe, right: ComparedRecipe): RecipeDifference {
  const grams = ({ lines }: ComparedRecipe, id: string): number =>
    lines.reduce((sum, line) => (line.productId === id ? sum + line.gM3 : sum), 0);
  const names = new Map([...left.lines, ...right.lines].map(({ productId, name }) => [productId, name]));
  return {
    ions: IONS.map((ion) => ({
      ion,
      left: left.delivered.ions[ion] ?? 0,
      right: right.delivered.ions[ion] ?? 0,
    })).filter((row) => row.left > 0 || row.right > 0),
    products: [...names].map(([productId, name]) => ({
      productId,
      name,
      left: grams(left, productId),
      right: grams(right, productId),
    })),
    ecMsCm: [left.delivered.ecMsCm, right.delivered.ecMsCm],
    ph: [left.delivered.ph, right.delivered.ph],
    costPerM3: [left.costPerM3, right.costPerM3],
    nh4SharePct: [left.nh4SharePct, right.nh4SharePct],
  };
}
