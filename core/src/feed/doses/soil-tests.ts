/** A laboratory's test of a soil, as far as doses go by it. */
export interface SoilTest {
  /** date of sampling */
  readonly takenOn: string;
  /** layer, from and to; null where nobody said */
  readonly depthCm: readonly [number, number] | null;
  readonly mineralNKgHa: number | null;
  readonly pMgKg: number | null;
  readonly kMgKg: number | null;
  /** of figures that lie below what the method finds, as written: "<5" */
  readonly limits?: Readonly<Record<string, string>> | null | undefined;
}

const CM_PER_M = 100;

/**
 * The newest tests in which a figure was measured: the layers of one day, each once, the topmost first.
 *
 * @param tests that count, the oldest first
 */
export function newestLayers<T extends Pick<SoilTest, "takenOn" | "depthCm">>(
  tests: readonly T[],
  measured: (test: T) => number | null,
): readonly T[] {
  const found = tests.filter((test) => measured(test) !== null);
  const newest = found
    .map(({ takenOn }) => takenOn)
    .sort()
    .at(-1);
  // Of a layer that was tested twice on that day the one that came in last.
  const layers = new Map(
    found.filter(({ takenOn }) => takenOn === newest).map((test) => [test.depthCm?.join(" ") ?? "", test]),
  );
  return [...layers.values()].sort((a, b) => (a.depthCm?.[0] ?? 0) - (b.depthCm?.[0] ?? 0));
}

/** Share of a layer that roots of a depth reach, 0 to 1; all of one whose depth nobody said. */
export function rootedShare(depthCm: SoilTest["depthCm"], rootDepthM: number): number {
  if (!depthCm) return 1;
  const [from, to] = depthCm;
  return Math.min(1, Math.max(0, (rootDepthM * CM_PER_M - from) / (to - from)));
}
