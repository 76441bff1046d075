import type { Planting } from "@sprunel/contract/site";
import Button from "antd/es/button";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./stand.module.css";

type Part = Planting["part"];
/** While it is typed, some of it may be missing; null is all of the zone. */
export type TypedRows = { readonly [key in keyof NonNullable<Part>]?: number | undefined } | null;

/** Which rows a planting has, in words. */
export function rowsWords(part: Part): string {
  if (!part) return "all rows";
  return part.from === part.to ? `row ${part.from} of ${part.of}` : `rows ${part.from} to ${part.to} of ${part.of}`;
}

const FIELDS = [
  ["from", "First row"],
  ["to", "Last row"],
  ["of", "Rows of the zone"],
] as const;

/** Rows of a zone's, or all of it. Beds, boards or tables are counted the same way. */
export function RowsInput({ rows, onChange }: { rows: TypedRows; onChange(rows: TypedRows): void }) {
  if (!rows)
    return (
      <span className={styles["rows"]}>
        all of the zone
        <Button size="small" onClick={() => onChange({})}>
          Only some rows
        </Button>
      </span>
    );
  return (
    <>
      {FIELDS.map(([key, label]) => (
        <label key={key}>
          {label.toLowerCase()}
          <QuantityInput
            label={label}
            unit=""
            value={rows[key] ?? null}
            onChange={(value) => onChange({ ...rows, [key]: value ?? undefined })}
          />
        </label>
      ))}
      <Button size="small" onClick={() => onChange(null)}>
        All of the zone
      </Button>
    </>
  );
}
