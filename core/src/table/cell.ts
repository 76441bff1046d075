import { readNumber, type DecimalMark } from "./number.ts";

/** A measured cell as people type it: a number, perhaps with its unit, perhaps below what could be detected. */
export interface MeasuredCell {
  readonly raw: string;
  /**
   * "below" and "above" a limit that is the value; "empty" where nothing was measured. A "range", one "struck" out and "several"
   * figures in one cell, and what is "unreadable", have no value: they are asked about.
   */
  readonly kind: "number" | "below" | "above" | "empty" | "range" | "struck" | "several" | "unreadable";
  /** null for what is empty or asked about */
  readonly value: number | null;
  /** typed into the cell; empty when the column's holds */
  readonly unit: string;
  /** "<0.05": the value is the limit of detection, not a measurement */
  readonly below: boolean;
  /** what was likely meant by a cell that is asked about, in its unit: the middle of a range, what a struck figure was replaced by */
  readonly likely?: number;
  /** of a range */
  readonly ends?: readonly [number, number];
}

const FIGURE = String.raw`[-−+]?[.,]?\d(?:[\d.,'\s\u00a0\u202f]*\d)?[.,]?(?:e[-+]?\d+)?`;
const CELL = new RegExp(
  String.raw`^(<|>|≤|≥|&lt;|&gt;|ca\.?|approx\.?|about|~|≈)?\s*([€$£]?)\s*(${FIGURE})\s*([^\d\s.,'].*)?$`,
  "i",
);
/** Not measured, not given, nothing found: in words and signs of several languages. */
const NOTHING =
  /^(|[-–—._*?/\\]+|n\.?\s?[abcdefgmqrtv]\.?|n\.?\s?n\.?\.?|n\/a|#n\/?a|na|nan|null|none|nil|not (tested|measured|determined|detected|available|analysed|analyzed)|nicht (bestimmt|gemessen|nachweisbar|nachgewiesen)|non (mesuré|détecté|déterminé|rilevato|determinato)|no (detectado|medido|determinado)|não (detectado|medido)|niet (bepaald|gemeten|aantoonbaar)|bdl|b\.d\.l\.?|nd|missing|keine?( angabe)?|k\.?\s?a\.?|s\/d|s\.?d\.?|empty|leer|vide|ditto|error|err|fault|offline)$/i;
const TRACE = /^(traces?|tr\.?|spuren?|trazas?|tracce|traços|sporen|<?\s?(lod|loq|bg|ng|mdl|rl))$/i;

/** Figures by themselves, without blanks inside. */
const PLAIN = String.raw`[-−+]?[.,]?\d[\d.,]*(?<![.,])`;
const UNIT_AFTER = String.raw`\s*([^\d\s.,'][^\d]*(?:\d[^\d]*)?)?`;
const RANGE = new RegExp(
  String.raw`^(${PLAIN})\s*(?:-|–|—|\.{2,}|\bto\b|\bbis\b|\bhasta\b|\btot\b|\baté\b|\bà\b|\ba\b)\s*(${PLAIN})${UNIT_AFTER}$`,
  "i",
);
/** "6.4 / 5.9", "6.4; 5.9", "6.4 (5.9)", "6.4 5.9" */
const SEVERAL = new RegExp(
  String.raw`^(${PLAIN})\s*(?:[/;|&+]|\band\b|\bund\b|\bet\b|\by\b|\s|\()\s*(${PLAIN})\s*\)?${UNIT_AFTER}$`,
  "i",
);
/** "~~6.4~~ 5.9", a figure with strokes through it, "6.4 → 5.9": what stands first does not count. */
const STRUCK = new RegExp(
  String.raw`^(?:~~|<s>|<del>|--)\s*(${PLAIN})\s*(?:~~|</s>|</del>|--)\s*(${PLAIN})?${UNIT_AFTER}$`,
  "i",
);
const REPLACED = new RegExp(
  String.raw`^(${PLAIN})\s*(?:→|->|=>|\((?:crossed|struck)[^)]*\)|\b(?:crossed out|struck|corr(?:ected)?\.?(?: to)?|korr(?:igiert)?\.?|corrigé|corregido|corretto|corrigido))[:,]?\s*(${PLAIN})?${UNIT_AFTER}$`,
  "i",
);
/** Drawn through the sign before it. */
const STROKES = /[\u0335-\u0338]/g;
const MAY_BE_STRUCK = /~~|--|<s>|<del>|[\u0335-\u0338]|→|->|=>|crossed|struck|corr|korr/i;

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
  const struck = MAY_BE_STRUCK.test(text) ? struckOut(text, decimal) : null;
  if (struck) return { ...nothing, ...struck };
  const [, sign = "", currency = "", digits = "", unit = ""] = CELL.exec(text) ?? [];
  const value = digits === "" ? null : readNumber(digits, decimal);
  if (
    value === null ||
    /^\/\s*[\d.,]+$/.test(unit) ||
    /\d/.test(unit.replace(/[²³]|m[23]|100|1000|2[05]\s*°?\s*c\b|\/\s?\d+|[a-z]{1,3}\d[-+]?/gi, ""))
  )
    return { ...nothing, ...moreThanOne(text, decimal) };
  const below = sign === "<" || sign === "≤" || sign === "&lt;";
  const above = sign === ">" || sign === "≥" || sign === "&gt;";
  return { raw, kind: below ? "below" : above ? "above" : "number", value, unit: currency || unit.trim(), below };
}

type Asked = Pick<MeasuredCell, "kind" | "unit" | "likely" | "ends">;

function struckOut(text: string, decimal: DecimalMark): Asked | null {
  const drawn = text
    .replace(/((?:.[\u0335-\u0338])+)/g, "~~$1~~ ")
    .replace(STROKES, "")
    .trim();
  const found = STRUCK.exec(drawn) ?? REPLACED.exec(drawn);
  return found && asked("struck", found, decimal, (_, now) => now);
}

function moreThanOne(text: string, decimal: DecimalMark): Asked {
  const range = RANGE.exec(text);
  if (range) return asked("range", range, decimal, (from, to) => (from < to ? (from + to) / 2 : null));
  const several = SEVERAL.exec(text);
  if (several) return asked("several", several, decimal, (one, other) => (one === other ? one : null));
  const [, once] = /^(\d+[.,]\d+)\1$/.exec(text) ?? [];
  const twice = once === undefined ? null : readNumber(once, decimal);
  return twice === null ? { kind: "unreadable", unit: "" } : { kind: "several", unit: "", likely: twice };
}

function asked(
  kind: "range" | "struck" | "several",
  [, one = "", other = "", unit = ""]: RegExpExecArray,
  decimal: DecimalMark,
  likelyOf: (one: number, other: number) => number | null,
): Asked {
  const [first, second] = [readNumber(one, decimal), other === "" ? null : readNumber(other, decimal)];
  const likely = first === null || second === null ? null : likelyOf(first, second);
  const ends = kind === "range" && first !== null && second !== null ? ([first, second] as const) : null;
  return { kind, unit: unit.trim(), ...(likely !== null && { likely }), ...(ends && { ends }) };
}
