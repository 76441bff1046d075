import type { ZoneFeed } from "@sprunel/contract/feed";
import Checkbox from "antd/es/checkbox";
import { useUnits } from "../../units/use-units.tsx";
import styles from "./shelf.module.css";
import type { Recipe } from "@sprunel/core/feed/recipe";
import { weighed } from "../mix/masses.ts";

/** What lasts less is worth an order now; deliveries take about so long. */
const ORDER_WITHIN_DAYS = 14;

/** Days that each product of the recipe lasts at today's litres of this zone; none without a plan. */
function daysLeft({ shelf, litresToday }: ZoneFeed, recipe: Recipe | null): Readonly<Record<string, number>> {
  if (!litresToday || !recipe) return {};
  return Object.fromEntries(
    shelf.flatMap(({ product, stockKg }) => {
      const gM3 = recipe.lines.reduce((sum, line) => (line.productId === product.id ? sum + line.gM3 : sum), 0);
      return gM3 > 0 && stockKg !== null ? [[product.id, stockKg / ((gM3 * litresToday) / 1e6)]] : [];
    }),
  );
}

function daysWords(days: number): string {
  return days > 365 ? "over a year" : `${Math.floor(days)} days`;
}

/** What the recipe may be made of; a product without its tick is left out of it. */
export function ShelfTicks({
  feed,
  recipe,
  leftOut,
  onChange,
}: {
  feed: ZoneFeed;
  recipe: Recipe | null;
  leftOut: ReadonlySet<string>;
  onChange(leftOut: ReadonlySet<string>): void;
}) {
  const { system } = useUnits();
  const days = daysLeft(feed, recipe);
  const short = feed.shelf.filter(({ product }) => (days[product.id] ?? Infinity) < ORDER_WITHIN_DAYS);
  const toggle = (id: string, use: boolean): void => {
    const next = new Set(leftOut);
    if (use) next.delete(id);
    else next.add(id);
    onChange(next);
  };
  return (
    <section aria-label="Shelf">
      <h2>Made of what is on the shelf</h2>
      {short.length > 0 && (
        <p>
          <strong>Order soon:</strong> {short.map(({ product }) => product.name).join(", ")}. At today's litres of this
          zone alone they last less than {ORDER_WITHIN_DAYS} days.
        </p>
      )}
      <ul className={styles["shelf"]}>
        {feed.shelf.map(({ product, stockKg }) => {
          const stock = stockKg === null ? { text: "not", unit: "counted" } : weighed(stockKg, system);
          return (
            <li key={product.id}>
              <Checkbox
                checked={!leftOut.has(product.id)}
                onChange={(event) => toggle(product.id, event.target.checked)}
              >
                {product.name}
              </Checkbox>
              <span className="quiet">
                {stock.text} {stock.unit}
                {days[product.id] !== undefined && `, ${daysWords(days[product.id] ?? 0)}`}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
