import { fromCanonical, toCanonical, unitFor, type Quantity } from "@sprunel/core/units";
import InputNumber from "antd/es/input-number";
import Space from "antd/es/space";
import { useUnits } from "./use-units.tsx";

interface Props {
  readonly id?: string;
  /** canonical unit */
  readonly value?: number | null;
  onChange?(value: number | null): void;
  /** converted by the unit system; without it `unit` is shown as it is */
  readonly quantity?: Quantity;
  readonly unit?: string;
  /** before the unit of a price */
  readonly currency?: string;
  /** where no label stands beside it */
  readonly label?: string;
}

/** A number with its unit, typed in the person's own unit and kept in the canonical one. */
export function QuantityInput({ id, value, onChange, quantity, unit, currency, label }: Props) {
  const { system } = useUnits();
  const shownUnit = quantity ? unitFor(quantity, system) : (unit ?? "");
  const shown =
    value === null || value === undefined
      ? null
      : quantity
        ? Number(fromCanonical(quantity, value, unitFor(quantity, system)).toPrecision(6))
        : value;
  const change = (typed: number | null): void =>
    onChange?.(typed === null ? null : quantity ? toCanonical(quantity, typed, unitFor(quantity, system)) : typed);
  const field = (
    <InputNumber
      {...(id !== undefined && { id })}
      {...(label !== undefined && { "aria-label": label })}
      value={shown}
      onChange={change}
      controls={false}
      className="wide"
    />
  );
  if (!shownUnit) return field;
  return (
    <Space.Compact className="wide">
      {field}
      <Space.Addon>{currency ? `${currency} ${shownUnit}` : shownUnit}</Space.Addon>
    </Space.Compact>
  );
}
