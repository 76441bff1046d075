import type { Quantity } from "@sprunel/core/units";
import { QuantityInput } from "../units/quantity-input.tsx";
import styles from "./sums.module.css";

export interface SumField<K extends string> {
  readonly key: K;
  readonly label: string;
  readonly quantity?: Quantity;
  readonly unit?: string;
  readonly currency?: string;
  /** where the figure that it starts with is from */
  readonly note?: string;
}

/** The figures of a sum, typed side by side. */
export function SumFields<K extends string>({
  fields,
  values,
  onChange,
}: {
  fields: readonly SumField<K>[];
  values: Readonly<Record<K, number | null>>;
  onChange(values: Readonly<Record<K, number | null>>): void;
}) {
  return (
    <div className={styles["fields"]}>
      {fields.map(({ key, label, quantity, unit, currency, note }) => (
        <label key={key}>
          {label}
          <QuantityInput
            live
            label={label}
            value={values[key]}
            onChange={(value) => onChange({ ...values, [key]: value })}
            {...(quantity && { quantity })}
            {...(unit && { unit })}
            {...(currency && { currency })}
          />
          {note && <span className={styles["note"]}>{note}</span>}
        </label>
      ))}
    </div>
  );
}

/** All figures of a sum, once each is typed. */
export function complete<K extends string>(values: Readonly<Record<K, number | null>>): Record<K, number> | null {
  return Object.values(values).every((value) => typeof value === "number") ? (values as Record<K, number>) : null;
}
