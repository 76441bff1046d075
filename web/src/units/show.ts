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
  // A narrow space groups thousands: neither comma nor point can then be taken for the decimal mark.
  return new Intl.NumberFormat("en", {
    minimumFractionDigits: size >= 10 ? 0 : Math.min(digits, 1),
    maximumFractionDigits: digits,
  })
    .format(Object.is(rounded, -0) ? 0 : rounded)
    .replaceAll(",", "\u202f")
    .replace("-", "−");
}

/** A quantity in the unit that a person of this unit system reads. */
export function showQuantity(quantity: Quantity, value: number, system: UnitSystem): Shown {
  const unit = unitFor(quantity, system);
  return { text: showDigits(fromCanonical(quantity, value, unit)), unit };
}
