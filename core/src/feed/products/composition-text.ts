import { readNumber, type DecimalMark } from "../../table/number.ts";
import { LABEL_PARTS, type Label, type LabelPart } from "./label.ts";

/** What a label says in one cell, mass per cent. */
export interface Composition {
  readonly label: Label;
  readonly totalNPct: number | null;
}

const FIGURE = String.raw`\d+(?:[.,]\d+)?`;
/** Total N, P₂O₅ and K₂O, as they stand on a bag. */
const GRADE = new RegExp(
  String.raw`(?<![\d.,]|[-–/:]\s*)(${FIGURE})\s*[-–/:]\s*(${FIGURE})\s*[-–/:]\s*(${FIGURE})(?![\d.,]|\s*[-–/:]\s*\d)`,
);
/** "12-12-17+2": of what, nobody says. */
const UNNAMED = new RegExp(String.raw`\+\s*${FIGURE}\s*%?\s*(?:$|\+)`);
const PARTS = (Object.keys(LABEL_PARTS) as LabelPart[]).filter((part) => !part.endsWith("N"));
const NAMED = [...PARTS].sort((a, b) => b.length - a.length).join("|");
const BEFORE = new RegExp(String.raw`(${FIGURE})\s*%?\s*(${NAMED})(?![\p{L}\d])`, "gu");
const BEHIND = new RegExp(String.raw`(?<![\p{L}\d])(${NAMED})\s*[:=]?\s*(${FIGURE})\s*%?`, "gu");

/**
 * Reads the composition of a fertiliser as it is written in one cell: "15.5-0-0 + 26 CaO", "16 % MgO, 32 % SO3", "Fe 6%".
 *
 * @returns null where it names no figure, or one that cannot be told, as the fourth of "12-12-17-2"
 */
export function compositionIn(text: string, decimal: DecimalMark): Composition | null {
  const plain = text.replace(/[₀-₉]/g, (digit) => String("₀₁₂₃₄₅₆₇₈₉".indexOf(digit)));
  if (UNNAMED.test(plain)) return null;
  const grade = GRADE.exec(plain);
  const rest = grade ? plain.replace(grade[0], " ") : plain;
  const before = [...rest.matchAll(BEFORE)].map(([, figure = "", part = ""]) => [part, figure] as const);
  const behind =
    before.length > 0 ? [] : [...rest.matchAll(BEHIND)].map(([, part = "", figure = ""]) => [part, figure] as const);
  const [, n = "0", p = "0", k = "0"] = grade ?? [];
  const told = [["P2O5", p], ["K2O", k], ...before, ...behind] as const;
  const label = Object.fromEntries(
    told.flatMap(([part, figure]) => {
      const pct = readNumber(figure, decimal);
      return pct === null || pct === 0 ? [] : [[part, pct]];
    }),
  ) as Label;
  const totalN = readNumber(n, decimal);
  const hasN = totalN !== null && totalN > 0;
  return hasN || Object.keys(label).length > 0 ? { label, totalNPct: hasN ? totalN : null } : null;
}
