import type { Ions } from "../../chemistry/ions.ts";
import type { Composition } from "../products/product.ts";
import { USUAL_TANK_TEMPERATURE_C, type RecipeInput, type Tank } from "./recipe-input.ts";

/** A product as it stands on a shelf, in full. */
interface ShelfProduct {
  readonly id: string;
  readonly name: string;
  readonly form: "solid" | "liquid";
  readonly composition: Composition;
  readonly densityKgL?: number | undefined;
  /** g/L at 0, 10, 20, 30 and 40 °C */
  readonly solubility?: readonly number[] | undefined;
  readonly chelate?: boolean | undefined;
  readonly holdsToPh?: number | undefined;
  readonly carbonPerAlkalinity?: number | undefined;
}

/** What a zone's feed is made of and must keep. */
interface ZoneFeedFacts {
  readonly water: { readonly ions: Ions; readonly ph?: number | undefined } | null;
  readonly shelf: readonly { readonly product: ShelfProduct; readonly priceKg: number | null }[];
  readonly tanks: readonly Tank[];
}

export interface FeedWishes {
  readonly nh4ShareMostPct: number | null;
  readonly limits: Ions;
  readonly locks: Readonly<Record<string, number>>;
}

/** What is tried out and not kept. */
export interface Draft {
  /** taken off the shelf for now */
  readonly leftOut?: ReadonlySet<string>;
  /** products that do not stand on the shelf and might be bought */
  readonly bought?: readonly ShelfProduct[];
  /** waters that may be mixed as the recipe needs them, instead of the zone's own shares */
  readonly mixWith?: NonNullable<RecipeInput["mixWith"]>;
  readonly waterPriceM3?: number;
}

const NONE: ReadonlySet<string> = new Set();

/**
 * A zone's feed as the recipe's question.
 *
 * @returns null while no water is known or nothing stands on the shelf
 */
export function zoneQuestion(
  { water, shelf, tanks }: ZoneFeedFacts,
  target: { readonly ions: Ions; readonly ph: number },
  wishes: FeedWishes,
  { leftOut = NONE, bought = [], mixWith = [], waterPriceM3 = 0 }: Draft = {},
): RecipeInput | null {
  if (!water) return null;
  const onShelf = new Set(shelf.map(({ product }) => product.id));
  // What has no price yet counts as dear as the dearest on the shelf, so that it is not taken for nothing.
  const dearest = Math.max(0, ...shelf.map(({ priceKg }) => priceKg ?? 0));
  const toBuy = bought.filter(({ id }) => !onShelf.has(id)).map((product) => ({ product, priceKg: dearest }));
  const products = [...shelf, ...toBuy]
    .filter(({ product }) => !leftOut.has(product.id))
    .map(({ product, priceKg }) => ({
      id: product.id,
      name: product.name,
      form: product.form,
      composition: product.composition,
      ...(priceKg !== null && { priceKg }),
      ...(product.densityKgL !== undefined && { densityKgL: product.densityKgL }),
      ...(product.solubility && { solubilityGL: product.solubility[USUAL_TANK_TEMPERATURE_C / 10] }),
      ...(product.carbonPerAlkalinity !== undefined && { carbonPerAlkalinity: product.carbonPerAlkalinity }),
      ...(product.chelate && { chelate: true }),
      ...(product.holdsToPh !== undefined && { holdsToPh: product.holdsToPh }),
    }));
  if (products.length === 0) return null;
  return {
    water: {
      ions: water.ions,
      ...(water.ph !== undefined && { ph: water.ph }),
      temperatureC: USUAL_TANK_TEMPERATURE_C,
    },
    target,
    products,
    tanks,
    limits: wishes.limits,
    locks: Object.fromEntries(Object.entries(wishes.locks).filter(([id]) => products.some((one) => one.id === id))),
    ...(wishes.nh4ShareMostPct !== null && { nh4ShareMostPct: wishes.nh4ShareMostPct }),
    ...(mixWith.length > 0 && { mixWith, waterPriceM3 }),
  };
}
