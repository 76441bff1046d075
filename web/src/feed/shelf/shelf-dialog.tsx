import { shelfUpdateSchema, type ShelfItem } from "@sprunel/contract/feed";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState } from "react";
import { useBoard } from "../../place/use-board.ts";
import { EditDialog } from "../../forms/edit-dialog.tsx";
import { staleOf } from "../../forms/stale-edit.tsx";
import { faultsOf } from "../../forms/form-errors.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import tables from "../../theme/tables.module.css";
import shared from "../feed.module.css";
import styles from "./shelf.module.css";
import { useChangeShelf, useProducts, type ShelfChange } from "../use-feed.ts";

interface Row {
  readonly id: string;
  readonly name: string;
  readonly stockKg: number | null;
  readonly priceKg: number | null;
  /** null for what is not on the shelf yet */
  readonly version: number | null;
}

/** Stock and price of every bag; new products come from the library. */
export function ShelfDialog({ shelf, onClose }: { shelf: readonly ShelfItem[]; onClose(): void }) {
  const [before, setBefore] = useState<readonly Row[]>(() =>
    shelf.map(({ product, stockKg, priceKg, version }) => ({
      id: product.id,
      name: product.name,
      stockKg,
      priceKg,
      version,
    })),
  );
  const [rows, setRows] = useState<readonly Row[]>(before);
  const [faults, setFaults] = useState<readonly string[]>([]);
  const currency = useBoard(null).data?.site?.currency ?? "";
  const products = useProducts();
  const change = useChangeShelf();
  const set = (id: string, part: Partial<Row>): void =>
    setRows(rows.map((row) => (row.id === id ? { ...row, ...part } : row)));
  /** A mix was logged, or somebody else typed, meanwhile: what was not typed here follows; what was is kept to be saved once more. */
  const rebase = (error: Error): void => {
    const newer = staleOf(error) as (Pick<Row, "stockKg" | "priceKg"> & { productId?: string; version: number }) | null;
    const mine = rows.find(({ id }) => id === newer?.productId);
    const base = before.find(({ id }) => id === newer?.productId);
    if (!newer || !mine) return;
    const merged = {
      ...mine,
      version: newer.version,
      stockKg: mine.stockKg === base?.stockKg ? newer.stockKg : mine.stockKg,
      priceKg: mine.priceKg === base?.priceKg ? newer.priceKg : mine.priceKg,
    };
    setRows(rows.map((row) => (row.id === mine.id ? merged : row)));
    setBefore([
      ...before.filter(({ id }) => id !== mine.id),
      { ...mine, stockKg: newer.stockKg, priceKg: newer.priceKg, version: newer.version },
    ]);
    setFaults([`${mine.name} was changed meanwhile, as by a mix. Look at its figures and save once more.`]);
  };
  const save = (): void => {
    const gone = before.filter((row) => !rows.some((kept) => kept.id === row.id));
    const edited = rows.filter(
      (row) =>
        !before.some(({ id, stockKg, priceKg }) => id === row.id && stockKg === row.stockKg && priceKg === row.priceKg),
    );
    const found: string[] = [];
    const changes: ShelfChange[] = gone.map(({ id }) => ({ productId: id, item: null }));
    for (const { id, name, stockKg, priceKg, version } of edited) {
      const parsed = shelfUpdateSchema.safeParse({ stockKg, priceKg, version });
      if (parsed.success) changes.push({ productId: id, item: parsed.data });
      else found.push(...faultsOf(parsed.error).map(({ message }) => `${name}: ${message}`));
    }
    setFaults(found);
    if (found.length === 0) change.mutate(changes, { onSuccess: onClose, onError: rebase });
  };
  return (
    <EditDialog title="The shelf" width={720} saving={change} faults={faults} onSave={save} onClose={onClose}>
      <table className={tables["table"]}>
        <thead>
          <tr>
            <th scope="col">product</th>
            <th scope="col">stock</th>
            <th scope="col">price</th>
            <th scope="col" />
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.id}>
              <td>{row.name}</td>
              <td className={shared["shelfInput"]}>
                <QuantityInput
                  label={`Stock of ${row.name}`}
                  quantity="mass"
                  value={row.stockKg}
                  onChange={(stockKg) => set(row.id, { stockKg })}
                />
              </td>
              <td className={shared["shelfInput"]}>
                <QuantityInput
                  label={`Price of ${row.name}`}
                  quantity="pricePerMass"
                  currency={currency}
                  value={row.priceKg}
                  onChange={(priceKg) => set(row.id, { priceKg })}
                />
              </td>
              <td>
                <Button type="link" size="small" onClick={() => setRows(rows.filter((other) => other.id !== row.id))}>
                  remove
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Select
        showSearch={{ optionFilterProp: "label" }}
        aria-label="Add a product"
        placeholder="Add a product of the library"
        className={styles["addProduct"] ?? ""}
        value={null}
        options={(products.data?.products ?? [])
          .filter((product) => !rows.some((row) => row.id === product.id))
          .map((product) => ({ value: product.id, label: product.name }))}
        onChange={(id: string | null) => {
          const product = products.data?.products.find((candidate) => candidate.id === id);
          if (product)
            setRows([...rows, { id: product.id, name: product.name, stockKg: null, priceKg: null, version: null }]);
        }}
      />
    </EditDialog>
  );
}
