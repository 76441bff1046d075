import { distance } from "fastest-levenshtein";
import { unitsIn } from "./unit-text.ts";
import { conceptsOf, WHOLE_WORDS, type Concept } from "./lexicon.ts";

/** The head of a column, taken apart. */
export interface Head {
  readonly text: string;
  /** what its words mean, each word's by itself */
  readonly words: readonly { readonly word: string; readonly concepts: readonly Concept[]; readonly slip: boolean }[];
  /** what may be its unit: in brackets, behind a comma, at its end */
  readonly units: readonly string[];
}

/** Words shorter than this are not taken for slips of others. */
const SLIP_FROM = 5;
const TWO_SLIPS_FROM = 9;

const known = new Map<string, Head>();
const MOST_KNOWN = 5000;

/** Takes the head of a column apart: what it names, and in what unit. */
export function headOf(written: string): Head {
  const found = known.get(written);
  if (found) return found;
  // The charge of "cmol(+)/kg" is no bracket.
  const text = written.replace(/\((?:\+|c)\)/g, "c");
  const inBrackets = [...text.matchAll(/[([{]([^()[\]{}]*(?:\([^()]*\))?[^()[\]{}]*)[)\]}]/g)].map(
    ([, inside = ""]) => inside,
  );
  const outside = text.replace(/[([{][^()[\]{}]*(?:\([^()]*\))?[^()[\]{}]*[)\]}]/g, " ");
  const afterMark = /[,;:|]\s*([^,;:|]+)$/.exec(text)?.[1];
  const parts = outside
    .replaceAll("_", " ")
    .replace(/(\p{Ll}{3,})(\p{Lu})/gu, "$1 $2")
    .trim()
    .split(/\s+/);
  const tails = parts.map((_, from) => parts.slice(from).join(" "));
  const named = withoutUnit(parts);
  const head: Head = {
    text: written,
    // What stands in brackets may name it too: "pH (drain)", "P (P2O5)".
    words: [
      ...wordsIn(named),
      ...wordsIn(inBrackets.filter((inside) => unitsIn(inside).length === 0 || namesMethod(inside)).join(" ")).filter(
        (word) => word.length > 1 && conceptsOf(word).length > 0,
      ),
    ].map(meaningOf),
    units: [
      ...inBrackets.toReversed(),
      ...(afterMark ? [afterMark] : []),
      ...tails,
      ...parts.slice(0, 1),
      ...snake(text),
    ],
  };
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(written, head);
  return head;
}

/** "P2O5 CAL" is no heat. */
function namesMethod(text: string): boolean {
  return wordsIn(text).some((word) => conceptsOf(word).includes("extractant"));
}

/** "K mg/L" names K, and no magnesium; "pH in" is no length. */
function withoutUnit(parts: readonly string[]): string {
  const all = parts.join(" ");
  const from = parts.findLastIndex(
    (_, at) => at > 0 && /[/%°]/.test(parts.slice(at).join("")) && unitsIn(parts.slice(at).join(" ")).length > 0,
  );
  if (from > 0) return parts.slice(0, from).join(" ");
  const last = parts.at(-1) ?? "";
  return parts.length > 1 && /^[kmuµ]?(g|L|l)$/.test(last) ? parts.slice(0, -1).join(" ") : all;
}

/** "t_air_degC", "rain_mm_Tot", "solar_W_m2": units with what programs put between. */
function snake(text: string): string[] {
  const parts = text.split("_");
  return parts.length < 2
    ? []
    : [...parts.map((part, at) => `${part}/${parts[at + 1] ?? ""}`).slice(0, -1), ...parts.slice(1)];
}

function wordsIn(text: string): string[] {
  return plainText(text)
    .split(/[^\p{L}\d]+/u)
    .filter((word) => word !== "" && !/^\d+$/.test(word));
}

/** Without accents, in small letters; what programs write together is set apart. */
export function plainText(text: string): string {
  return (
    text
      .replace(/[₀-₉]/g, (digit) => String("₀₁₂₃₄₅₆₇₈₉".indexOf(digit)))
      .replace(/[⁺⁻⁰¹²³⁴-⁹]+/g, " ")
      .normalize("NFD")
      .replace(/\p{M}/gu, "")
      .replaceAll("ß", "ss")
      // "C.E.", "U.M."
      .replace(/(?<![\p{L}\d])(?:\p{L}\.\s?){1,4}\p{L}\.?(?![\p{L}\d])/gu, (letters) => letters.replace(/[.\s]/g, ""))
      .replaceAll("_", " ")
      .replace(/(\p{Ll}{3,})(\p{Lu})/gu, "$1 $2")
      .replace(/([a-z])\d?[+]{1,2}/gi, "$1 ")
      .replace(/\bn[ -]?min\b/gi, "nmin")
      .toLowerCase()
  );
}

function meaningOf(word: string): Head["words"][number] {
  const concepts = conceptsOf(word);
  if (concepts.length > 0) return { word, concepts, slip: false };
  const bare = word.replace(/\d+$/, "").replace(/(e?s|en|n)$/, "");
  const ending = bare === word || bare.length < 2 ? [] : conceptsOf(bare);
  if (ending.length > 0) return { word, concepts: ending, slip: false };
  if (word.length < SLIP_FROM) return { word, concepts: [], slip: false };
  const most = word.length >= TWO_SLIPS_FROM ? 2 : 1;
  const near = WHOLE_WORDS.filter(
    (other) =>
      other.length >= SLIP_FROM - 1 && Math.abs(other.length - word.length) <= most && distance(other, word) <= most,
  );
  return { word, concepts: [...new Set(near.flatMap(conceptsOf))], slip: near.length > 0 };
}
