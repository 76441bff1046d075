import { typedNumber } from "@sprunel/core/table";
import { fromCanonical, toCanonical, unitFor, type Quantity, type UnitSystem } from "@sprunel/core/units";
import Input from "antd/es/input";
import Space from "antd/es/space";
import { useState } from "react";
import styles from "./quantity-input.module.css";
import { showDigits } from "./show.ts";
import { useUnits } from "./use-units.tsx";

interface Props {
  readonly id?: string;
  /** canonical unit; NaN while what stands there is no number, so that no check lets it pass */
  readonly value?: number | null;
  onChange?(value: number | null): void;
  /** converted by the unit system; without it `unit` is shown as it is */
  readonly quantity?: Quantity;
  readonly unit?: string;
  /** how much of the value one of the shown unit is, where no quantity tells it: as mmol in a mg */
  readonly scale?: number;
  /** before the unit of a price */
  readonly currency?: string;
  /** where no label stands beside it */
  readonly label?: string;
  readonly placeholder?: string;
  readonly size?: "small" | "large";
  /** the largest that it can be, in the unit shown: tells 43.412 from 43 412 */
  readonly most?: number;
  /** may be typed with a minus: keyboards of digits have none */
  readonly signed?: boolean;
  /** a sum follows every key: while what stands there is no number, it goes on with the last one */
  readonly live?: boolean;
}

interface Typing {
  readonly text: string;
  /** what was made of it */
  readonly value: number | null;
  readonly unread: boolean;
}

/** A number with its unit, typed with any decimal mark in the person's own unit and kept in the canonical one. */
export function QuantityInput(props: Props) {
  const { id, value, onChange, quantity, unit, currency, label, placeholder, size, most = Infinity, scale = 1 } = props;
  const { system } = useUnits();
  const shownUnit = quantity ? unitFor(quantity, system) : (unit ?? "");
  // What is typed stands as it was typed, for as long as the value is the one that was made of it.
  const [typing, setTyping] = useState<Typing | null>(null);
  const held = typing && Object.is(typing.value, value ?? null) ? typing : null;
  const text = held?.text ?? written(value === null || value === undefined ? value : value / scale, quantity, system);
  const read = typedNumber(text);

  const take = (typed: string, number: number | null): void => {
    const made =
      number === null ? null : scale * (quantity ? toCanonical(quantity, number, unitFor(quantity, system)) : number);
    setTyping({ text: typed, value: made, unread: false });
    onChange?.(made);
  };
  const change = (typed: string): void => {
    const found = typedNumber(typed);
    if (found.kind === "nothing") take(typed, null);
    else if (found.kind === "number") take(typed, found.value);
    else if (found.kind === "either" && Math.abs(found.thousands) > most) take(typed, found.decimal);
    else {
      setTyping({ text: typed, value: props.live ? (value ?? null) : NaN, unread: true });
      if (!props.live) onChange?.(NaN);
    }
  };
  const choice = (number: number) => (
    <button type="button" onClick={() => take(plain(number), number)}>
      {showDigits(number)}
    </button>
  );
  const field = (
    <Input
      {...(id !== undefined && { id })}
      {...(label !== undefined && { "aria-label": label })}
      {...(placeholder !== undefined && { placeholder })}
      {...(size && { size })}
      inputMode={props.signed ? "text" : "decimal"}
      autoComplete="off"
      value={text}
      {...(held?.unread && { status: "error" as const, "aria-invalid": true })}
      onChange={(event) => change(event.target.value)}
      onBlur={() => {
        if (!held?.unread) setTyping(null);
      }}
      className="wide"
    />
  );
  return (
    <>
      {shownUnit ? (
        <Space.Compact className="wide">
          {field}
          <Space.Addon>{currency ? `${currency} ${shownUnit}` : shownUnit}</Space.Addon>
        </Space.Compact>
      ) : (
        field
      )}
      {held?.unread && (
        <span role="alert" className={styles["asked"]}>
          {read.kind === "either" ? (
            <>
              Is {text.trim()} about {choice(read.decimal)} or {choice(read.thousands)}?
            </>
          ) : (
            `“${text.trim()}” is no number; type digits alone, as 1.9 or 1,9.`
          )}
        </span>
      )}
    </>
  );
}

const CONVERTED_DIGITS = 4;

/** A value as it stands in a field before anybody types: six digits that count, and every one before the mark. */
function written(value: number | null | undefined, quantity: Quantity | undefined, system: UnitSystem): string {
  if (value === null || value === undefined || Number.isNaN(value)) return "";
  if (!quantity || unitFor(quantity, system) === unitFor(quantity, "metric")) return plain(value);
  // Converted, a round figure has digits that nobody measured.
  return plain(Number(fromCanonical(quantity, value, unitFor(quantity, system)).toPrecision(CONVERTED_DIGITS)));
}

function plain(value: number): string {
  return Math.abs(value) >= 1e6 ? value.toFixed(0) : String(Number(value.toPrecision(6)));
}
