import { farFromPast } from "@sprunel/core/rootzone";
import type { ReadingField } from "../systems/reading-field.ts";
import type { Shown } from "../units/show.ts";
import type { LastOfZone } from "./use-readings.ts";

export type Show = (quantity: "depth" | "temperature", value: number) => Shown;

/** A value of a kind with its unit, with the digits that its instrument shows. */
export function shownReading({ quantity, unit, digits }: ReadingField, value: number, show: Show): string {
  const shown = quantity ? show(quantity, value) : { text: value.toFixed(digits), unit: unit ?? "" };
  return `${shown.text} ${shown.unit}`.trim();
}

/** @returns how a value is far from the zone's own past, or null where it is not, or too little is known */
export function unusualWords(field: ReadingField, value: number, last: LastOfZone, show: Show): string | null {
  const past = (last[field.key] ?? []).map((one) => one.value);
  const usual = farFromPast(value, past, field.everydayStep);
  if (!usual) return null;
  const shown = (one: number): string => shownReading(field, one, show);
  return `${field.label.toLowerCase()}: ${shown(value)} is far from the last readings, ${shown(usual.least)} to ${shown(usual.most)}.`;
}
