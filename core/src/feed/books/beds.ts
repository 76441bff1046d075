import { partShare, type Part } from "../../crop/stand.ts";
import type { NutrientEntry } from "./year-books.ts";

/** Rows of a zone that always had the same crops. */
export interface Bed {
  readonly part: Part;
  /** of the zone's ground */
  readonly share: number;
}

/** An entry of the whole zone, or of the rows of one planting; its kg/ha are counted over the whole zone. */
export interface PlacedEntry extends NutrientEntry {
  readonly part: Part | null;
}

/**
 * The beds that a zone falls into by the rows that plantings ever had: none where every planting had all of it.
 *
 * Rows of different counts, as 1 to 2 of 4 and 1 to 3 of 6, meet in the smallest count that holds both.
 */
export function bedsOf(parts: readonly (Part | null | undefined)[]): readonly Bed[] {
  const own = parts.flatMap((part) => part ?? []);
  if (own.length === 0) return [];
  const of = own.map((part) => part.of).reduce(leastCommonMultiple);
  const edges = new Set([0, of]);
  for (const part of own) {
    edges.add(((part.from - 1) * of) / part.of);
    edges.add((part.to * of) / part.of);
  }
  const sorted = [...edges].sort((a, b) => a - b);
  return sorted.slice(1).map((to, at) => {
    const part = { from: (sorted[at] ?? 0) + 1, to, of };
    return { part, share: partShare(part) };
  });
}

/** What came to one bed and was taken off it, kg/ha of the bed: what belongs to a planting's rows lies on them alone. */
export function entriesOn<T extends PlacedEntry>({ part: bed }: Bed, entries: readonly T[]): T[] {
  return entries.flatMap((entry) => {
    if (!entry.part) return [entry];
    if (!holds(entry.part, bed)) return [];
    const by = 1 / partShare(entry.part);
    return [{ ...entry, kgHa: { N: entry.kgHa.N * by, P: entry.kgHa.P * by, K: entry.kgHa.K * by } }];
  });
}

/** Whether rows hold a whole bed; a bed is never cut by them. */
export function holds(rows: Part, bed: Part): boolean {
  const tiny = 1e-9;
  return (rows.from - 1) / rows.of <= (bed.from - 1) / bed.of + tiny && rows.to / rows.of >= bed.to / bed.of - tiny;
}

function leastCommonMultiple(a: number, b: number): number {
  const divisor = (x: number, y: number): number => (y === 0 ? x : divisor(y, x % y));
  return (a * b) / divisor(a, b);
}
