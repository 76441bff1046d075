import type { ZoneFeed } from "@sprunel/contract";
import Checkbox from "antd/es/checkbox";
import { useUnits } from "../units/use-units.tsx";
import styles from "./feed.module.css";
import { weighed } from "./tanks.tsx";

/** What stands in the store; a product without its tick is left out of the recipe. */
export function Shelf({
  feed,
  leftOut,
  onChange,
}: {
  feed: ZoneFeed;
  leftOut: ReadonlySet<string>;
  onChange(leftOut: ReadonlySet<string>): void;
}) {
  const { show } = useUnits();
  const toggle = (id: string, use: boolean): void => {
    const next = new Set(leftOut);
    if (use) next.delete(id);
    else next.add(id);
    onChange(next);
  };
  return (
    <section aria-label="Shelf">
      <h2>On the shelf</h2>
      <ul className={styles["shelf"]}>
        {feed.shelf.map(({ product, stockKg }) => {
          const stock = weighed(stockKg, show);
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
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
