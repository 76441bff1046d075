import type { ShelfItem } from "@sprunel/contract/feed";
import { STARTER_SHELF } from "@sprunel/core/feed/products";
import Button from "antd/es/button";
import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import { useBoard } from "../../place/use-board.ts";
import { Price, useUnits } from "../../units/use-units.tsx";
import { ProblemNote } from "../../parts/problem.tsx";
import shared from "../feed.module.css";
import { useChangeShelf } from "../use-feed.ts";
import { weighed } from "../mix/masses.ts";
import { Together } from "../mix/together.tsx";

const OwnProductDialog = lazy(async () => ({ default: (await import("./own-product-dialog.tsx")).OwnProductDialog }));
const ShelfDialog = lazy(async () => ({ default: (await import("./shelf-dialog.tsx")).ShelfDialog }));

/** What stands in the feed store, what it cost, and which two bags may share a tank. */
export function ShelfView({ shelf }: { shelf: readonly ShelfItem[] }) {
  const start = useChangeShelf();
  const [open, setOpen] = useState<"stock" | "bag" | null>(null);
  return (
    <>
      <div className={shared["actions"]}>
        <Button type="primary" onClick={() => setOpen("stock")}>
          Stock and prices
        </Button>
        <Button onClick={() => setOpen("bag")}>A bag of your own</Button>
        <Link to="/import/shelf">Import a list</Link>
      </div>
      {shelf.length === 0 ? (
        <>
          <p>Nothing stands on the shelf yet. Without products no recipe can be made.</p>
          <Button
            loading={start.isPending}
            onClick={() =>
              start.mutate(
                STARTER_SHELF.map((productId) => ({
                  productId,
                  item: { priceKg: null, stockKg: null, version: null },
                })),
              )
            }
          >
            Start with the usual {STARTER_SHELF.length}
          </Button>
          <p className="quiet">
            The salts, acid and trace elements that most feeds are made of; stock and prices can follow, or not.
          </p>
          {start.isError && <ProblemNote error={start.error} />}
        </>
      ) : (
        <>
          <Products shelf={shelf} />
          <div className={shared["narrow"]}>
            <Together shelf={shelf} />
          </div>
        </>
      )}
      <Suspense>
        {open === "stock" && <ShelfDialog shelf={shelf} onClose={() => setOpen(null)} />}
        {open === "bag" && <OwnProductDialog onClose={() => setOpen(null)} />}
      </Suspense>
    </>
  );
}

function Products({ shelf }: { shelf: readonly ShelfItem[] }) {
  const { system } = useUnits();
  const currency = useBoard(null).data?.site?.currency ?? "";
  return (
    <table className={shared["book"]} aria-label="The shelf">
      <thead>
        <tr>
          <th scope="col">product</th>
          <th scope="col">stock</th>
          <th scope="col">price</th>
        </tr>
      </thead>
      <tbody>
        {shelf.map(({ product, stockKg, priceKg }) => {
          const stock = stockKg === null ? null : weighed(stockKg, system);
          return (
            <tr key={product.id}>
              <th scope="row">{product.name}</th>
              <td>{stock ? `${stock.text} ${stock.unit}` : <span className="quiet">not counted</span>}</td>
              <td>
                {priceKg === null ? (
                  <span className="quiet">not known</span>
                ) : (
                  <Price quantity="pricePerMass" value={priceKg} currency={currency} />
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
