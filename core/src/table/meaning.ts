import type { Head } from "./head.ts";
import type { Concept } from "./lexicon.ts";
import { conversionOf, type Conversion, type Quantity } from "./quantity.ts";

/** What a column of a kind of file may mean. */
export interface Meaning {
  /** words that name it: of one of these groups all */
  readonly named: readonly (readonly Concept[])[];
  /** words that name it where nothing better does: the column is to be checked */
  readonly weakly?: readonly (readonly Concept[])[];
  /** words beside which it is something else */
  readonly never?: readonly Concept[];
  /** words that say nothing more of it */
  readonly beside?: readonly Concept[];
  /** what its figures are amounts of; words or plain counts where left out */
  readonly quantity?: Quantity;
  /** between what its figures lie, in the canonical unit: it tells a unit that nobody wrote, and of words a column without a name */
  readonly lies?: { readonly least: number; readonly most: number };
  /** more than one column may mean it */
  readonly many?: boolean;
  /** its name may be that of the element or of its oxide: by a word, or even by the element's sign; it is to be checked */
  readonly doubt?: "word" | "sign";
  /** its unit by itself does not tell it */
  readonly onlyNamed?: boolean;
  /** what its figures are amounts of may stand once above the table, for all of its rows; words always may */
  readonly once?: boolean;
}

export type Meanings<K extends string> = Readonly<Record<K, Meaning>>;

/** What a column is taken for, and why. */
export interface Guess<K extends string> {
  readonly kind: K;
  /** 0 to 1 */
  readonly certainty: number;
  readonly because: string;
  readonly conversion: Conversion | null;
  /** a unit is written that is none of the quantity */
  readonly unknownUnit: string | null;
}

const NAMED = 10;
const OF_ITS_UNIT = 6;
const OTHER_UNIT = 5;
const STRANGE_WORD = 2;
const OTHER_WORD = 3;
const BY_UNIT_ALONE = 4;
const SURE = 16;
/** Half as sure: it is shown as one to check. */
const DOUBTFUL = 8;
/** Signs of elements have so many letters at most. */
const SIGN = 2;

interface Rated<K extends string> {
  readonly column: number;
  readonly score: number;
  readonly guess: Guess<K>;
}

/**
 * What each column means, by the words and units of its head: the best of all first, each meaning once.
 *
 * @param unitsBeside what else may be each column's unit: its cell in a row of units
 */
export function guessMeanings<K extends string>(
  heads: readonly Head[],
  meanings: Meanings<K>,
  unitsBeside: readonly string[] = [],
): readonly (Guess<K> | null)[] {
  const rated = heads.flatMap((head, column) =>
    (Object.keys(meanings) as K[]).flatMap((kind): Rated<K>[] => {
      const found = rate(head, kind, meanings[kind], unitsBeside[column] ?? "");
      return found ? [{ column, ...found }] : [];
    }),
  );
  rated.sort((a, b) => b.score - a.score || a.column - b.column);
  const guesses = heads.map((): Guess<K> | null => null);
  const taken = new Set<K>();
  const isFree = ({ column, guess: { kind } }: Rated<K>): boolean =>
    guesses[column] === null && (!taken.has(kind) || (meanings[kind].many ?? false));
  const take = (one: Rated<K>): void => {
    guesses[one.column] = one.guess;
    taken.add(one.guess.kind);
  };
  for (const one of rated) if (one.score !== BY_UNIT_ALONE && isFree(one)) take(one);
  // A unit by itself tells the one meaning of those left that is written in it as a rule.
  heads.forEach((_, column) => {
    const left = rated.filter(
      (one) => one.column === column && one.score === BY_UNIT_ALONE && isFree(one) && offersUnit(one.guess, meanings),
    );
    // Another column of the same unit is not told apart by it: both are asked for.
    const [one] = left;
    const isAlone = heads.every(
      (head, at) =>
        at === column ||
        guesses[at] !== null ||
        !one ||
        unitOf(head, meanings[one.guess.kind], unitsBeside[at] ?? "")?.unit !== one.guess.conversion?.unit,
    );
    if (left.length === 1 && isAlone) left.forEach(take);
  });
  return guesses;
}

function offersUnit<K extends string>({ kind, conversion }: Guess<K>, meanings: Meanings<K>): boolean {
  return meanings[kind].quantity?.units.includes(conversion?.unit ?? "") ?? false;
}

function rate<K extends string>(
  head: Head,
  kind: K,
  meaning: Meaning,
  unitBeside: string,
): { readonly score: number; readonly guess: Guess<K> } | null {
  const all = new Set(head.words.flatMap(({ concepts }) => concepts));
  const groupIn = (groups: readonly (readonly Concept[])[]): readonly Concept[] =>
    groups
      .filter((concepts) => concepts.every((concept) => all.has(concept)))
      .reduce<readonly Concept[]>((most, concepts) => (concepts.length > most.length ? concepts : most), []);
  const strongly = groupIn(meaning.named);
  const group = strongly.length > 0 ? strongly : groupIn(meaning.weakly ?? []);
  const conversion = unitOf(head, meaning, unitBeside);
  const written = unitBeside || head.units.find((text) => looksLikeUnit(text, head.text)) || null;
  // "Class 1 %" is how much of it there is: neither a word nor a count.
  if (!meaning.quantity && /^[%‰]/.test(written ?? "")) return null;
  if (group.length === 0) {
    const says = head.words.some(
      ({ word, concepts }) => concepts.length > 0 && !(conversion?.unit ?? "").toLowerCase().includes(word),
    );
    if (!conversion || !meaning.quantity || meaning.onlyNamed || says) return null;
    return {
      score: BY_UNIT_ALONE,
      guess: guessOf(kind, BY_UNIT_ALONE, `its unit is ${conversion.unit}`, conversion, null),
    };
  }
  const others = head.words.filter(({ concepts }) => !concepts.some((concept) => group.includes(concept)));
  if (meaning.never?.some((concept) => others.some(({ concepts }) => concepts.includes(concept)))) return null;
  const quiet = meaning.beside ?? [];
  const unitWords = new Set(
    (conversion ? [conversion.unit, unitBeside, ...head.units] : []).flatMap((text) =>
      text.toLowerCase().split(/[^\p{L}\d]+/u),
    ),
  );
  const rest = others.filter(
    ({ word, concepts }) =>
      !unitWords.has(word) &&
      !concepts.some((concept) => concept === "plain" || concept === "extractant" || quiet.includes(concept)),
  );
  const slips = head.words.filter(({ slip, concepts }) => slip && concepts.some((concept) => group.includes(concept)));
  const isOther = meaning.quantity !== undefined && conversion === null && written !== null;
  const score =
    NAMED * (strongly.length > 0 ? group.length : group.length / 2) +
    (conversion && meaning.quantity ? OF_ITS_UNIT : 0) -
    (isOther ? OTHER_UNIT : 0) -
    rest.reduce((sum, { concepts }) => sum + (concepts.length > 0 ? OTHER_WORD : STRANGE_WORD), 0) -
    STRANGE_WORD * slips.length;
  if (score <= 0) return null;
  const words = head.words
    .filter(({ concepts }) => concepts.some((concept) => group.includes(concept)))
    .map(({ word }) => word);
  const isDoubtful =
    (meaning.doubt === "sign" || (meaning.doubt === "word" && words.every((word) => word.length > SIGN))) &&
    // A charge is the element's, and a unit may say what it counts.
    !/mol|eq/.test(conversion?.unit ?? "") &&
    // "P %" counts in what it names.
    (meaning.doubt === "sign" || (conversion?.basis ?? null) === null);
  const headed = `it is headed ${words.map((word) => `“${word}”`).join(" ")}`;
  return {
    score,
    guess: guessOf(
      kind,
      // That its unit is not understood makes its name no less sure.
      isDoubtful ? Math.min(score, DOUBTFUL) : isOther ? score + OTHER_UNIT : score,
      isDoubtful ? `${headed}, which may be the element or its oxide` : headed,
      conversion,
      isOther ? written : null,
    ),
  };
}

function guessOf<K extends string>(
  kind: K,
  score: number,
  because: string,
  conversion: Conversion | null,
  unknownUnit: string | null,
): Guess<K> {
  return { kind, certainty: Math.min(1, score / SURE), because, conversion, unknownUnit };
}

/** The unit that a column's head, or a cell in a row of units, names for a meaning. */
export function unitOf(head: Head, { quantity }: Meaning, unitBeside: string): Conversion | null {
  if (!quantity) return null;
  for (const text of [unitBeside, ...head.units]) {
    const found = text.trim() === "" ? null : conversionOf(quantity, text);
    if (found) return found;
  }
  return null;
}

/** With a stroke or a sign: somebody wrote a unit, whether it can be read or not. */
function looksLikeUnit(text: string, whole: string): boolean {
  return (
    whole.includes(text) && (/^[^\s()]{1,12}\s?\/\s?[^\s()]{1,12}$/.test(text.trim()) || /^[°%‰]/.test(text.trim()))
  );
}
