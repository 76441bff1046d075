import { useState } from "react";

interface Stored<T> {
  /** null: nothing is stored yet, `value` is what it starts from */
  readonly version: number | null;
  readonly value: T;
}

/**
 * A versioned value while somebody types: it follows what is stored for as long as it is untouched. Once it is touched, a newer
 * one fetched in the background changes nothing; saving at the version it was begun from tells of it.
 *
 * @param tried what it begins with in place of the stored one
 */
export function useDraft<T>(stored: Stored<T>, tried?: T | null) {
  const [base, setBase] = useState(stored);
  const [value, setValue] = useState<T>(tried ?? stored.value);
  const changed = !same(value, base.value);
  const [seen, setSeen] = useState(stored);
  if (!same(stored, seen)) {
    setSeen(stored);
    if (!changed || same(value, stored.value)) {
      setBase(stored);
      setValue(stored.value);
    }
  }
  return {
    value,
    changed,
    /** what it was begun from */
    version: base.version,
    saved: base.value,
    set: setValue,
    /** goes on from a newer one */
    take(newer: Stored<T>): void {
      setBase(newer);
      setValue(newer.value);
    },
  };
}

function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
