import { useCallback, useState } from "react";

/**
 * What is being typed and not yet written, kept in this browser: a walk is longer than a page lives on a tablet.
 *
 * @param key what it is a draft of
 * @param empty what stands there before anything was typed, and once it is written
 */
export function useStored<T>(key: string, empty: T): [T, (next: T) => void] {
  const name = `sprunel.${key}`;
  const [value, setValue] = useState<T>(() => {
    try {
      const stored = localStorage.getItem(name);
      return stored === null ? empty : (JSON.parse(stored) as T);
    } catch {
      return empty;
    }
  });
  const store = useCallback(
    (next: T) => {
      if (next === empty) localStorage.removeItem(name);
      else localStorage.setItem(name, JSON.stringify(next));
      setValue(next);
    },
    [name, empty],
  );
  return [value, store];
}
