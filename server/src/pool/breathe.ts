import { setImmediate } from "node:timers/promises";

/** Rows between two breaths: a few milliseconds of work. */
const ROWS = 500;

/** Goes through many rows so that others are answered in between. */
export async function* breathing<T>(rows: readonly T[]): AsyncGenerator<T> {
  for (const [at, row] of rows.entries()) {
    if (at % ROWS === ROWS - 1) await setImmediate();
    yield row;
  }
}
