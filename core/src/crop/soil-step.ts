import { addDays } from "../time/local-time.ts";

/** What is done to a soil before something is planted in it. */
export const SOIL_STEPS = ["lime", "sulphur", "manure", "basal", "wetting", "plant-back"] as const;
export type SoilStepKind = (typeof SOIL_STEPS)[number];

/**
 * Days from each until something may be planted, to start from. Usual practice, assumed: lime and sulphur until they have worked,
 * manure until its ammonia and salt are gone, a basal dressing until it is in the soil, a bed until it is wet through and firm, what
 * was turned in until it has rotted. Where local rules ask for more, theirs hold.
 */
export const USUAL_WAIT_DAYS: Readonly<Record<SoilStepKind, number>> = {
  lime: 90,
  sulphur: 180,
  manure: 30,
  basal: 7,
  wetting: 2,
  "plant-back": 21,
};

export interface SoilStep {
  readonly kind: SoilStepKind;
  readonly on: string;
  /** until something may be planted */
  readonly waitDays: number;
}

/** The first day on which something may be planted, by one step. */
export function readyAfter({ on, waitDays }: SoilStep): string {
  return addDays(on, waitDays);
}

/** The step that a planting on a day would come too early for, the longest wait of them; null where none. */
export function waitsFor<S extends SoilStep>(steps: readonly S[], plantedOn: string): S | null {
  const open = steps.filter((step) => step.on <= plantedOn && readyAfter(step) > plantedOn);
  return open.sort((a, b) => readyAfter(b).localeCompare(readyAfter(a)))[0] ?? null;
}
