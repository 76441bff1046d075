import { fromCanonical, unitFor, type Quantity, type UnitSystem } from "@sprunel/core/units";

export interface Shown {
  readonly text: string;
  readonly unit: string;
}

/** A number with sensible digits: three where they count, none behind a hundred. */
export function showDigits(value: number): string {
  if (value === 0) return "0";
  const size = Math.abs(value);
  const digits = size >= 100 ? 0 : size >= 10 ? 1 : 2;
  const rounded = Number(value.toFixed(digits));
  return written(Object.is(rounded, -0) ? 0 : rounded, {
    minimumFractionDigits: size >= 10 ? 0 : Math.min(digits, 1),
    maximumFractionDigits: digits,
  });
}

/** A number as it was typed or counted, of at most nine digits. */
export function showExact(value: number): string {
  return written(value, { maximumSignificantDigits: 9 });
}

function written(value: number, digits: Intl.NumberFormatOptions): string {
  // A narrow space groups thousands: neither comma nor point can then be taken for the decimal mark.
  return new Intl.NumberFormat("en", digits).format(value).replaceAll(",", "\u202f").replace("-", "−");
}

/** A quantity in the unit that a person of this unit system reads. */
export function showQuantity(quantity: Quantity, value: number, system: UnitSystem): Shown {
  const unit = unitFor(quantity, system);
  return { text: showDigits(fromCanonical(quantity, value, unit)), unit };
}
