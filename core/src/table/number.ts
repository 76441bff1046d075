export type DecimalMark = "." | ",";

/** Finds a file's decimal mark: whichever more often stands before other than three digits. */
export function decimalMark(cells: readonly string[]): DecimalMark {
  let commas = 0;
  let points = 0;
  for (const cell of cells) {
    if (/^[-−+]?\d+,(\d{1,2}|\d{4,})$/.test(cell)) commas++;
    else if (/^[-−+]?\d+\.(\d{1,2}|\d{4,})$/.test(cell)) points++;
  }
  return commas > points ? "," : ".";
}

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
  const isDecimal = single && (last === decimal || !(/^\d{3}$/.test(tail) && last === other));
  const [whole, fraction] = isDecimal ? [plain.slice(0, plain.lastIndexOf(last)), tail] : [plain, ""];
  if (!/^[-+]?\d*([.,]\d{3})*$/.test(whole)) return null;
  return Number(`${whole.replace(/[.,]/g, "")}.${fraction || "0"}`);
}
