import { readNumber, type DecimalMark } from "./number.ts";

/** A measured cell as people type it: a number, perhaps with its unit, perhaps below what could be detected. */
export interface MeasuredCell {
  readonly raw: string;
  /** null for an empty cell and for words in place of a number */
  readonly value: number | null;
  /** typed into the cell; empty when the column's holds */
  readonly unit: string;
  /** "<0.05": the value is the limit of detection, not a measurement */
  readonly below: boolean;
}

const CELL = /^(<)?\s*([€$£]?)\s*([-−+]?\d[\d.,'\s\u00a0\u202f]*?)\s*([^\d\s.,'].*)?$/;

/**
 * Takes a cell apart.
 *
 * @example measuredCell("3,35 L", ",") // value 3.35, unit "L"
 */
export function measuredCell(raw: string, decimal: DecimalMark): MeasuredCell {
  const [, below, currency = "", digits = "", unit = ""] = CELL.exec(raw) ?? [];
  return {
    raw,
    value: readNumber(digits, decimal),
    unit: currency || unit.trim(),
    below: below !== undefined,
  };
}
