/** Where a number that went into a figure comes from. */
export type Origin =
  | {
      readonly kind:
        "imported" | "measured" | "simulated" | "forecast" | "filled" | "again" | "carried" | "heated" | "outside";
      readonly hours?: number;
      readonly at?: string;
    }
  /** typed into the zone's set-up */
  | { readonly kind: "entered" }
  /** stands in the set-up, but nobody has confirmed it */
  | { readonly kind: "default" }
  | { readonly kind: "library"; readonly source: string; readonly assumed: boolean }
  /** a correction that somebody accepted or changed */
  | { readonly kind: "decided"; readonly at: string }
  /** by another sum of this program */
  | { readonly kind: "computed" };

export interface WorkingInput {
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  /** several, where a sum over the day mixes what was measured and what is forecast */
  readonly origins: readonly Origin[];
}

/** Counts by origin, in order of first appearance: how many hours of a sum were measured, forecast, filled. */
export function hourOrigins(kinds: readonly Extract<Origin, { hours?: number }>["kind"][]): Origin[] {
  const counts = new Map<Extract<Origin, { hours?: number }>["kind"], number>();
  for (const kind of kinds) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts].map(([kind, hours]) => ({ kind, hours }));
}
