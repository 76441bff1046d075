import type { Span } from "../time/clock.ts";

/** From one second to another, where that is any time at all. */
export function between(startS: number, endS: number): Span[] {
  return startS < endS ? [{ startS, endS }] : [];
}

/** What of some spans lies within others. */
export function within(spans: readonly Span[], others: readonly Span[]): Span[] {
  return others.flatMap((other) =>
    spans.flatMap(({ startS, endS }) => between(Math.max(startS, other.startS), Math.min(endS, other.endS))),
  );
}

/** Spans without what others take of them. */
export function less(spans: readonly Span[], out: readonly Span[]): Span[] {
  return out.reduce<Span[]>(
    (left, { startS, endS }) =>
      left.flatMap((span) =>
        endS <= span.startS || startS >= span.endS
          ? [span]
          : [...between(span.startS, startS), ...between(endS, span.endS)],
      ),
    [...spans],
  );
}

/** Spans in order, those that touch or overlap as one. */
export function joined(spans: readonly Span[]): Span[] {
  const found: Span[] = [];
  for (const span of [...spans].sort((a, b) => a.startS - b.startS)) {
    const before = found.at(-1);
    if (before && span.startS <= before.endS)
      found[found.length - 1] = { startS: before.startS, endS: Math.max(before.endS, span.endS) };
    else found.push(span);
  }
  return found;
}

/** Most L/h at any moment. */
export function mostAtOnce(runs: readonly (Span & { readonly lh: number })[]): number {
  const changes = runs
    .flatMap(({ startS, endS, lh }) => [
      { at: startS, by: lh },
      { at: endS, by: -lh },
    ])
    .sort((a, b) => a.at - b.at || a.by - b.by);
  let [now, most] = [0, 0];
  for (const { by } of changes) {
    now += by;
    most = Math.max(most, now);
  }
  return most;
}
