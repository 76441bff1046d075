export type DecimalMark = "." | ",";

/**
 * Finds a file's decimal mark: whichever more often stands before other than three digits, or behind a bare nought. Where only
 * numbers as 1,234 tell, it is that of the delimiter's country, and assumed.
 */
export function decimalMark(
  cells: Iterable<string>,
  delimiter = ",",
): { readonly decimal: DecimalMark; readonly assumed: boolean } {
  let [commas, points, either] = [0, 0, 0];
  for (const cell of cells) {
    const [, whole = "", mark, tail = ""] = /^[<>]?\s?[-−+]?(\d+)([.,])(\d+)(?:\s?[%°\p{L}].*)?$/u.exec(cell) ?? [];
    if (!mark) continue;
    if (tail.length === 3 && /^[1-9]\d{0,2}$/.test(whole)) {
      either++;
      continue;
    }
    if (mark === ",") commas++;
    else points++;
  }
  if (commas !== points) return { decimal: commas > points ? "," : ".", assumed: false };
  return { decimal: delimiter === ";" && either > 0 ? "," : ".", assumed: either > 0 };
}

/** Thousands set off by marks: one to three digits, then threes. */
const GROUPED = /^[-+]?[1-9]\d{0,2}([.,]\d{3})+$/;

/**
 * Reads a plain number as people write it.
 *
 * In a file of decimal commas a point before one or two last digits is a decimal mark, before exactly three a thousands
 * mark; the same the other way round.
 *
 * @returns null for anything that is no number
 * @example readNumber("1.234,5", ",") // 1234.5
 */
export function readNumber(text: string, decimal: DecimalMark): number | null {
  const plain = text.replace(/[\s\u00a0\u202f']/g, "").replace("−", "-");
  if (!/^[-+]?[\d.,]*\d[\d.,]*(e[-+]?\d+)?$/i.test(plain)) return null;
  const other = decimal === "." ? "," : ".";
  const marks = plain.split(/[^.,]/).join("");
  if (marks.length === 0) return Number(plain);
  const last = marks.at(-1) ?? "";
  const tail = plain.slice(plain.lastIndexOf(last) + 1);
  const single = marks.split(last).length === 2;
  const isDecimal = single && (last === decimal || !(GROUPED.test(plain) && last === other));
  const [whole, fraction] = isDecimal ? [plain.slice(0, plain.lastIndexOf(last)), tail] : [plain, ""];
  if (!/^[-+]?\d*$/.test(whole) && !GROUPED.test(whole)) return null;
  return Number(`${whole.replace(/[.,]/g, "")}.${fraction || "0"}`);
}

/** What a person typed into a field for a number. */
export type TypedNumber =
  | { readonly kind: "nothing" }
  | { readonly kind: "number"; readonly value: number }
  /** as 1.234: the mark may stand before decimals or set off thousands */
  | { readonly kind: "either"; readonly decimal: number; readonly thousands: number }
  | { readonly kind: "unreadable" };

/**
 * Reads what a person typed, whichever decimal mark their keyboard has. A mark that ends it is one that decimals still follow.
 *
 * @example typedNumber("1,9") // { kind: "number", value: 1.9 }
 */
export function typedNumber(text: string): TypedNumber {
  const typed = text.trim().replace(/(\d)[.,]$/, "$1");
  if (typed === "") return { kind: "nothing" };
  const [point, comma] = [readNumber(typed, "."), readNumber(typed, ",")];
  const value = point ?? comma;
  if (value === null || !Number.isFinite(value)) return { kind: "unreadable" };
  if (point === null || comma === null || point === comma) return { kind: "number", value };
  const [decimal, thousands] = Math.abs(point) < Math.abs(comma) ? [point, comma] : [comma, point];
  return { kind: "either", decimal, thousands };
}
