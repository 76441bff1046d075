import type { ZoneFeed } from "@sprunel/contract";
import Button from "antd/es/button";
import Checkbox from "antd/es/checkbox";
import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import { useUnits } from "../units/use-units.tsx";
import styles from "./feed.module.css";
import { weighed } from "./masses.ts";

const OwnProductDialog = lazy(async () => ({ default: (await import("./own-product-dialog.tsx")).OwnProductDialog }));
const ShelfDialog = lazy(async () => ({ default: (await import("./shelf-dialog.tsx")).ShelfDialog }));

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
  const { system } = useUnits();
  const [editing, setEditing] = useState(false);
  const [adding, setAdding] = useState(false);
  const toggle = (id: string, use: boolean): void => {
    const next = new Set(leftOut);
    if (use) next.delete(id);
    else next.add(id);
    onChange(next);
  };
  return (
    <section aria-label="Shelf">
      <h2>On the shelf</h2>
      <Button size="small" onClick={() => setEditing(true)}>
        Stock and prices
      </Button>{" "}
      <Button size="small" onClick={() => setAdding(true)}>
        A bag of your own
      </Button>{" "}
      <Link to="/import/shelf">Import a list</Link>
      {adding && (
        <Suspense>
          <OwnProductDialog onClose={() => setAdding(false)} />
        </Suspense>
      )}
      {editing && (
        <Suspense>
          <ShelfDialog shelf={feed.shelf} onClose={() => setEditing(false)} />
        </Suspense>
      )}
      <ul className={styles["shelf"]}>
        {feed.shelf.map(({ product, stockKg }) => {
          const stock = weighed(stockKg, system);
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
