/*
 * Lists that a statement reads as tables of its own, each bound as one text: thousands of rows cost one statement. What only
 * SQLite knows of them stands here.
 */

type Value = string | number | null;

/** A table of rows that are bound by {@link bound}, with their `place` in the list. */
export function listed(name: string, columns: readonly string[]): string {
  const cells = columns.map((column, at) => `value ->> ${at} AS ${column}`);
  return `(SELECT ${["key AS place", ...cells].join(", ")} FROM json_each(?)) AS ${name}`;
}

/** A table of single values: `place` and `value`. */
export function listedValues(name: string): string {
  return `(SELECT key AS place, value FROM json_each(?)) AS ${name}`;
}

/** Rows of a list, each with its values in the order of the columns; or single values. */
export function bound(rows: readonly (Value | readonly Value[])[]): string {
  return JSON.stringify(rows);
}

/** Rows of a question within a question as one value, in their order; {@link gatheredFrom} reads it. */
export function gathered(columns: readonly string[], question: string): string {
  return `(SELECT json_group_array(json_array(${columns.join(", ")})) FROM (${question}))`;
}

/** The values of a column over a group, as one value; {@link gatheredFrom} reads it. */
export function gatheredColumn(column: string): string {
  return `json_group_array(${column})`;
}

export function gatheredFrom<One extends Value | readonly Value[]>(value: string): One[] {
  return JSON.parse(value) as One[];
}
