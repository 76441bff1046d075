import { setImmediate } from "node:timers/promises";

const PAGE_ROWS = 5000;

/**
 * Rows of a long table, page by page, each page asked for where the last one ended: so a table of any length is read without
 * being held, and none is cut.
 *
 * @param ask the rows after one, or the first ones, in an order that is always the same
 */
export async function* pages<Row, Record>(
  ask: (after: Row | undefined, limit: number) => PromiseLike<Row[]>,
  recordOf: (row: Row) => Record,
): AsyncGenerator<Record> {
  let last: Row | undefined;
  for (;;) {
    // The driver answers at once: without a breath nobody else would be answered until the last page.
    await setImmediate();
    const rows: Row[] = await ask(last, PAGE_ROWS);
    yield* rows.map(recordOf);
    last = rows.at(-1);
    if (rows.length < PAGE_ROWS) return;
  }
}

/** A list in parts that one statement takes. */
export function* inPages<Row>(rows: readonly Row[]): Generator<readonly Row[]> {
  for (let at = 0; at < rows.length; at += PAGE_ROWS) yield rows.slice(at, at + PAGE_ROWS);
}
