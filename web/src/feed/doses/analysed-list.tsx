import { AS_OXIDE } from "@sprunel/core/feed/books";
import { typedNumber } from "@sprunel/core/table";
import type { Quantity } from "@sprunel/core/units";
import Button from "antd/es/button";
import Input from "antd/es/input";
import Segmented from "antd/es/segmented";
import { useState } from "react";
import { DateInput } from "../../forms/date-input.tsx";
import { QuantityInput } from "../../units/quantity-input.tsx";
import styles from "./doses.module.css";

const OXIDES = { P: "% P₂O₅", K: "% K₂O" } as const;

/** Something that was laid or spread, known by its label. */
interface Analysed {
  readonly name: string;
  readonly pPct: number;
  readonly kPct: number;
}

interface AnalysedField<T> {
  readonly key: keyof T & string;
  readonly label: string;
  /** in what it is typed: a unit of its own, a quantity, or P and K, which labels tell as element or as oxide */
  readonly typed: { readonly unit: string } | { readonly quantity: Quantity } | { readonly nutrient: "P" | "K" };
}

/** A list of such things, each with its figures on a line. */
export function AnalysedList<T extends Analysed>({
  legend,
  one,
  items,
  fresh,
  fields,
  onChange,
}: {
  legend: string;
  /** what one of them is called, as "manure" */
  one: string;
  items: readonly T[];
  fresh: T;
  fields: readonly AnalysedField<T>[];
  onChange(items: T[]): void;
}) {
  // Labels and laboratories tell P and K either way: it is asked, and kept as the element.
  const [oxides, setOxides] = useState(false);
  const change = (at: number, next: Partial<T>): void =>
    onChange(items.map((item, place) => (place === at ? { ...item, ...next } : item)));
  return (
    <fieldset className={styles["wide"]}>
      <legend>{legend}</legend>
      {items.length > 0 && (
        <Segmented
          aria-label={`P and K of each ${one} told as`}
          value={oxides ? "oxides" : "elements"}
          options={[
            { value: "elements", label: "P and K as elements" },
            { value: "oxides", label: "as P₂O₅ and K₂O" },
          ]}
          onChange={(as) => setOxides(as === "oxides")}
        />
      )}
      {items.map((item, at) => (
        <div key={at} className={`${styles["line"]} ${styles["low"]}`}>
          <label>
            name
            <Input
              aria-label={`Name of ${one} ${at + 1}`}
              className={styles["named"] ?? ""}
              value={item.name}
              onChange={({ target }) => change(at, { name: target.value } as Partial<T>)}
            />
          </label>
          {"on" in item && (
            <label>
              laid on
              <DateInput
                label={`Day of ${one} ${at + 1}`}
                value={String(item.on) || null}
                onChange={(on) => change(at, { on: on ?? "" } as unknown as Partial<T>)}
              />
            </label>
          )}
          {fields.map(({ key, label, typed }) => (
            <label key={key}>
              {label}
              <QuantityInput
                label={`${label} of ${one} ${at + 1}`}
                {...("nutrient" in typed
                  ? {
                      unit: oxides ? OXIDES[typed.nutrient] : `% ${typed.nutrient}`,
                      ...(oxides && { scale: 1 / AS_OXIDE[typed.nutrient] }),
                    }
                  : typed)}
                value={Number(item[key])}
                onChange={(value) => change(at, { [key]: value ?? NaN } as Partial<T>)}
              />
            </label>
          ))}
          {"nDecayPct" in item && (
            <label>
              set free, year by year
              <SeriesInput
                label={`Set free each year, of ${one} ${at + 1}`}
                value={item.nDecayPct as readonly number[]}
                onChange={(nDecayPct) => change(at, { nDecayPct } as unknown as Partial<T>)}
              />
            </label>
          )}
          <Button size="small" onClick={() => onChange(items.filter((_, place) => place !== at))}>
            Remove
          </Button>
        </div>
      ))}
      <Button size="small" onClick={() => onChange([...items, fresh])}>
        Add a {one}
      </Button>
    </fieldset>
  );
}

/** Shares of nitrogen that are set free year by year, % of what was left: typed as 30; 15; 5 (usual, assumed until changed). */
function SeriesInput({
  label,
  value,
  onChange,
}: {
  label: string;
  value: readonly number[];
  onChange(value: number[]): void;
}) {
  const [text, setText] = useState(value.join("; "));
  return (
    <Input
      aria-label={label}
      className={styles["series"] ?? ""}
      suffix="% of N a year"
      value={text}
      onChange={({ target }) => {
        setText(target.value);
        const parts = target.value.split(/[;\s]+/).filter((part) => part !== "");
        onChange(
          parts.map((part) => {
            const read = typedNumber(part);
            return read.kind === "number" ? read.value : NaN;
          }),
        );
      }}
    />
  );
}
