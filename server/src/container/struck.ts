/**
 * What is struck through on a sheet and so does not count, by its place as `placeOf` writes it: null where all of a cell is,
 * else the parts of its text that are.
 */
export type Struck = ReadonlyMap<string, readonly string[] | null>;

/** Row and column from 0. */
export const placeOf = (row: number, column: number): string => `${row},${column}`;

/** A text with what is struck through between two tildes each, as people type it. */
export function withStrokes(text: string, parts: readonly string[] | null | undefined): string {
  if (text === "" || parts === undefined) return text;
  const all = parts === null || parts.join("").replace(/\s/g, "") === text.replace(/\s/g, "");
  return all ? `~~${text}~~` : parts.reduce((told, part) => told.replace(part, () => `~~${part.trim()}~~ `), text);
}
