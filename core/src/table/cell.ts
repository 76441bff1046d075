import { readNumber, type DecimalMark } from "./number.ts";

/** A measured cell as people type it: a number, perhaps with its unit, perhaps below what could be detected. */
export interface MeasuredCell {
  readonly raw: string;
  /** "below" and "above" a limit that is the value; "empty" where nothing was measured; "unreadable" is asked about */
  readonly kind: "number" | "below" | "above" | "empty" | "unreadable";
  /** null for what is empty or unreadable */
  readonly value: number | null;
  /** typed into the cell; empty when the column's holds */
  readonly unit: string;
  /** "<0.05": the value is the limit of detection, not a measurement */
  readonly below: boolean;
}

const CELL =
  /^(<|>|≤|≥|&lt;|&gt;|ca\.?|approx\.?|about|~|≈)?\s*([€$£]?)\s*([-−+]?[.,]?\d(?:[\d.,'\s\u00a0\u202f]*\d)?[.,]?(?:e[-+]?\d+)?)\s*([^\d\s.,'].*)?$/i;
/** Not measured, not given, nothing found: in words and signs of several languages. */
const NOTHING =
  /^(|[-–—._*?/\\]+|n\.?\s?[adtmbngcf]\.?|n\.?\s?n\.?\.?|n\/a|#n\/?a|na|nan|null|none|nil|not (tested|measured|determined|detected|available|analysed|analyzed)|nicht (bestimmt|gemessen|nachweisbar|nachgewiesen)|non (mesuré|détecté|déterminé|rilevato|determinato)|no (detectado|medido|determinado)|não (detectado|medido)|niet (bepaald|gemeten|aantoonbaar)|bdl|b\.d\.l\.?|nd|missing|keine?( angabe)?|k\.?\s?a\.?|s\/d|s\.?d\.?|empty|leer|vide|ditto|error|err|fault|offline)$/i;
const TRACE = /^(traces?|tr\.?|spuren?|trazas?|tracce|traços|sporen|<?\s?(lod|loq|bg|ng|mdl|rl))$/i;

/**
 * Takes a cell apart.
 *
 * @example measuredCell("3,35 L", ",") // value 3.35, unit "L"
 */
export function measuredCell(raw: string, decimal: DecimalMark): MeasuredCell {
  const text = raw.trim();
  // Most cells of long files are plain numbers.
  if (decimal === "." ? /^-?\d+(\.\d+)?$/.test(text) : /^-?\d+(,\d+)?$/.test(text))
    return { raw, kind: "number", value: Number(text.replace(",", ".")), unit: "", below: false };
  const nothing = { raw, value: null, unit: "", below: false };
  if (NOTHING.test(text)) return { ...nothing, kind: "empty" };
  if (TRACE.test(text)) return { ...nothing, kind: "below", below: true };
  const [, sign = "", currency = "", digits = "", unit = ""] = CELL.exec(text) ?? [];
  const value = digits === "" ? null : readNumber(digits, decimal);
  if (value === null || /\d/.test(unit.replace(/[²³]|m[23]|100|1000|\/\s?\d+|[a-z]{1,3}\d[-+]?/gi, "")))
    return { ...nothing, kind: "unreadable" };
  const below = sign === "<" || sign === "≤" || sign === "&lt;";
  const above = sign === ">" || sign === "≥" || sign === "&gt;";
  return { raw, kind: below ? "below" : above ? "above" : "number", value, unit: currency || unit.trim(), below };
}
