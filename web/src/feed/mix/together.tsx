import type { ShelfItem } from "@sprunel/contract/feed";
import { mayStandTogether } from "@sprunel/core/feed/recipe";
import Select from "antd/es/select";
import { useState } from "react";
import shared from "../feed.module.css";
import styles from "./mix.module.css";

/** Any two bags of the shelf held against each other. */
export function Together({ shelf }: { shelf: readonly ShelfItem[] }) {
  const [first, setFirst] = useState<string | null>(null);
  const [second, setSecond] = useState<string | null>(null);
  const options = shelf.map(({ product }) => ({ value: product.id, label: product.name }));
  const productOf = (id: string | null) => shelf.find(({ product }) => product.id === id)?.product;
  const [a, b] = [productOf(first), productOf(second)];
  const verdict = a && b ? mayStandTogether(inShort(a), inShort(b)) : null;
  return (
    <section aria-label="Together in one tank">
      <h2>Together in one tank?</h2>
      <div className={styles["together"]}>
        <Select value={first} options={options} onChange={setFirst} aria-label="One bag" placeholder="one bag" />
        <Select
          value={second}
          options={options}
          onChange={setSecond}
          aria-label="The other bag"
          placeholder="the other"
        />
      </div>
      {verdict && (
        <p role="status" className={verdict.ok ? undefined : shared["fault"]}>
          {verdict.reason}
        </p>
      )}
    </section>
  );
}

function inShort({ id, name, form, composition, chelate }: ShelfItem["product"]) {
  return { id, name, form, composition, ...(chelate !== undefined && { chelate }) };
}
