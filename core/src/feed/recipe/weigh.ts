import { Checks } from "../../working/checks.ts";
import { IONS, type Ion, type Ions } from "../../chemistry/ions.ts";
import type { Product } from "../products/product.ts";
import type { Tank } from "./recipe-input.ts";
import { bringsPerGram } from "./recipe-model.ts";
import type { Recipe } from "./recipe.ts";

/** The two scales of a feed store: one for bags, one for trace salts. */
export interface Scales {
  /** step from 1 kg up, g, 0.1 to 1000 */
  readonly coarseG: number;
  /** step below 1 kg, g, 0.001 to 100 */
  readonly fineG: number;
}

interface WeighedRow {
  readonly productId: string;
  readonly tankId: string;
  readonly exactKg: number;
  /** rounded to the scale's step */
  readonly kg: number;
}

export interface Weighing {
  readonly lines: readonly WeighedRow[];
  /** the feed as it is weighed, mmol/L and µmol/L */
  readonly ions: Ions;
  /** ions that rounding moves by more than a half per cent */
  readonly moved: readonly { readonly ion: Ion; readonly pct: number }[];
}

const COARSE_FROM_KG = 1;
const TELL_FROM_PCT = 0.5;

/**
 * What to weigh for tanks that may not be empty nor filled to the mark, on scales that have steps, and what rounding does to every ion.
 *
 * @param leftL litres of the same concentrate that still stand in a tank, by its id
 * @param fillToL litres up to which a tank is filled; its whole volume when left out
 * @throws {DomainError} for steps that cannot be, for more left than is to stand in a tank, and for more than it holds
 */
export function weighOut(
  recipe: Pick<Recipe, "lines" | "delivered">,
  {
    tanks,
    products,
    water,
    scales,
    leftL,
    fillToL = {},
  }: {
    readonly tanks: readonly Tank[];
    readonly products: readonly Product[];
    readonly water: Ions;
    readonly scales: Scales;
    readonly leftL: Readonly<Record<string, number>>;
    readonly fillToL?: Readonly<Record<string, number>>;
  },
): Weighing {
  const checks = new Checks()
    .range("coarseG", "The step of the scale for bags", scales.coarseG, 0.1, 1000, "g")
    .range("fineG", "The step of the fine scale", scales.fineG, 0.001, 100, "g");
  for (const { id, volumeL } of tanks)
    checks
      .range(`fillToL.${id}`, `What tank ${id} is filled to`, fillToL[id], 0.01, volumeL, "L")
      .range(`leftL.${id}`, `What stands in tank ${id}`, leftL[id], 0, fillToL[id] ?? volumeL, "L");
  checks.done();
  const lines = recipe.lines.map(({ productId, tankId, kgPerTank }): WeighedRow => {
    const tank = tanks.find(({ id }) => id === tankId);
    const share = tank ? ((fillToL[tankId] ?? tank.volumeL) - (leftL[tankId] ?? 0)) / tank.volumeL : 1;
    const exactKg = kgPerTank * share;
    const stepKg = (exactKg >= COARSE_FROM_KG ? scales.coarseG : scales.fineG) / 1000;
    return { productId, tankId, exactKg, kg: Math.round(exactKg / stepKg) * stepKg };
  });
  // Rounding counts in the fresh part alone; what is left in the tank was weighed before.
  const gM3 = ({ productId, tankId, kg, exactKg }: WeighedRow): number => {
    const line = recipe.lines.find((entry) => entry.productId === productId && entry.tankId === tankId);
    return line && exactKg > 0 ? (line.gM3 * kg) / exactKg : 0;
  };
  const ions: Partial<Record<Ion, number>> = {};
  for (const ion of IONS) {
    const added = lines.reduce((sum, line) => {
      const product = products.find(({ id }) => id === line.productId);
      return product ? sum + bringsPerGram(product, ion) * gM3(line) : sum;
    }, 0);
    ions[ion] = Math.max(0, (water[ion] ?? 0) + added);
  }
  const moved = IONS.flatMap((ion) => {
    const meant = recipe.delivered.ions[ion] ?? 0;
    const pct = meant > 0 ? (100 * ((ions[ion] ?? 0) - meant)) / meant : 0;
    return Math.abs(pct) > TELL_FROM_PCT ? [{ ion, pct }] : [];
  });
  return { lines, ions, moved };
}
