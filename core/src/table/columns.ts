import { DomainError } from "../working/domain-error.ts";
import { headOf } from "./head.ts";
import { unitOf } from "./meaning.ts";
import { byLooks } from "./looks.ts";
import type { DecimalMark } from "./number.ts";
import { choicesOf, conversionOf, type Conversion, type Quantity } from "./quantity.ts";
import type { Declaration } from "./declaration.ts";
import type { LaidColumn, Layout } from "./shape.ts";

/** A column as it is read. */
export interface ReadColumn<K extends string> {
  /** counted from 1 */
  readonly column: number;
  readonly header: string;
  readonly kind: K | "ignore";
  /** empty for words and counts, and where one is written that is not understood */
  readonly unit: string;
  /** the unit stands nowhere in the file and is only likely */
  readonly unitAssumed: boolean;
  /** a unit that is written and not understood: it is asked for */
  readonly unknownUnit: string | null;
  /** 0 to 1, and why; 1 where a person said so */
  readonly certainty: number;
  readonly because: string;
  /** by what method it was found, as the file names it; empty where it does not */
  readonly method: string;
}

/** A column as somebody set it. */
export interface ChosenColumn {
  readonly column: number;
  readonly kind: string;
  readonly unit: string;
}

/** A column of less certainty is asked for. */
const SURE_ENOUGH = 0.25;

/**
 * What each column of a table is taken for: as somebody set it, else as it is guessed. A unit that is written is understood or
 * asked for; one that is not written is the usual one, and marked.
 *
 * @throws {DomainError} for a column set to what it cannot be
 */
export function readColumns<K extends string>(
  { columns, preamble, dataRows }: Pick<Layout<K>, "columns" | "preamble" | "dataRows">,
  declaration: Declaration<K>,
  decimal: DecimalMark,
  chosen: readonly ChosenColumn[] = [],
): readonly ReadColumn<K>[] {
  const told = preamble.join(" ");
  const read = columns.map((laid) => {
    const choice = chosen.find(({ column }) => column === laid.column);
    const column = choice ? asChosen(laid, declaration, choice) : columnOf(laid, declaration, told);
    return { ...column, method: laid.method || extractantIn(laid.header) };
  });
  return byLooks(read, dataRows, declaration, decimal, new Set(chosen.map(({ column }) => column)));
}

function columnOf<K extends string>(
  { column, header, guess }: LaidColumn<K>,
  { meanings }: Declaration<K>,
  preamble: string,
): Omit<ReadColumn<K>, "method"> {
  if (!guess || guess.certainty < SURE_ENOUGH)
    return {
      ...{ column, header, kind: "ignore" as const, unit: "", unitAssumed: false, unknownUnit: null },
      ...{ certainty: 0, because: "no word or unit of it is known" },
    };
  const { kind, certainty, because, unknownUnit } = guess;
  const { quantity } = meanings[kind];
  const conversion =
    guess.conversion && quantity ? toldOnTop(guess.conversion, quantity, `${header} ${preamble}`) : guess.conversion;
  const onTop = quantity && conversion === null && unknownUnit === null ? unitOnTop(quantity, preamble) : null;
  const isAssumed = quantity !== undefined && conversion === null && unknownUnit === null && onTop === null;
  return {
    ...{ column, header, kind, certainty, because, unknownUnit },
    unit: conversion?.unit ?? onTop?.unit ?? (isAssumed ? (quantity.units[0] ?? "") : ""),
    unitAssumed: isAssumed || (conversion?.assumed ?? false),
  };
}

/** "P (Olsen)" names its method. */
function extractantIn(header: string): string {
  const words = headOf(header).words.filter(({ concepts }) => concepts.includes("extractant"));
  return words.map(({ word }) => new RegExp(`\\b${word}\\b`, "i").exec(header)?.[0] ?? word).join(" ");
}

/** A unit that is told once for all: "all values in mg/L". */
function unitOnTop(quantity: Quantity, preamble: string): Conversion | null {
  for (const [, text = ""] of preamble.matchAll(
    /(?:\b(?:in|en|em|units?|einheit(?:en)?|unit[eé]s?|unidad(?:es)?|unit[aà]|eenheid|concentra\w+)\b[:\s]*)([^\s,;.()]+(?:\s?\/\s?[^\s,;.()]+)?)/giu,
  )) {
    const found = conversionOf(quantity, text);
    if (found) return found;
  }
  return null;
}

/** Which of several scales of one name is meant may stand in the text on top: "pens: ppm, 500 scale". */
function toldOnTop(conversion: Conversion, { scales = [] }: Quantity, preamble: string): Conversion {
  if (!conversion.assumed) return conversion;
  const told = scales.find(({ name }) => {
    const number = /\d+/.exec(name)?.[0];
    return number !== undefined && new RegExp(`\\b${number}\\b`).test(preamble);
  });
  return told ? { unit: told.name, factor: told.factor, offset: 0, basis: null } : conversion;
}

/** A kind that was chosen without a unit has the one that is written, or the usual one, which stays assumed. */
function asChosen<K extends string>(
  { column, header, unitBeside }: LaidColumn<K>,
  { meanings }: Declaration<K>,
  { kind, unit }: ChosenColumn,
): Omit<ReadColumn<K>, "method"> {
  const said = {
    ...{ column, header, unit: "", unitAssumed: false, unknownUnit: null },
    ...{ certainty: 1, because: "it was set by hand" },
  };
  if (kind === "ignore") return { ...said, kind };
  const meaning = Object.hasOwn(meanings, kind) ? meanings[kind as K] : undefined;
  if (!meaning)
    throw new DomainError({
      code: "not-possible",
      path: `columns.${column}`,
      message: `A column cannot mean "${kind}"; choose one of ${Object.keys(meanings).join(", ")}.`,
    });
  if (!meaning.quantity) return { ...said, kind: kind as K };
  if (unit === "") {
    const written = unitOf(headOf(header), meaning, unitBeside);
    return {
      ...said,
      kind: kind as K,
      unit: written?.unit ?? meaning.quantity.units[0] ?? "",
      unitAssumed: written === null,
    };
  }
  if (!conversionOf(meaning.quantity, unit))
    throw new DomainError({
      code: "not-possible",
      path: `columns.${column}`,
      message: `"${unit}" is no unit of ${header || `column ${column}`}; choose one of ${choicesOf(meaning.quantity).join(", ")}.`,
    });
  return { ...said, kind: kind as K, unit };
}

/** What a column of a kind of file may mean, and in what units. */
export function kindsOf<K extends string>({ meanings }: Declaration<K>) {
  return (Object.keys(meanings) as K[]).map((kind) => {
    const { quantity } = meanings[kind];
    return { kind, units: quantity ? choicesOf(quantity) : [] };
  });
}

/** What a table should have and no column is taken for: of each of these groups one is to be set by hand. */
export function lacksOf<K extends string>(
  columns: readonly ReadColumn<K>[],
  { needs }: Declaration<K>,
  inAll: Readonly<Partial<Record<K, string>>>,
): readonly (readonly K[])[] {
  return needs.filter(
    (group) => !group.some((kind) => columns.some((column) => column.kind === kind) || kind in inAll),
  );
}
