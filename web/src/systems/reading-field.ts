import type { NewReading } from "@sprunel/contract/rootzone";

export type ReadingKey = Exclude<keyof NewReading, "at">;

export interface ReadingField {
  readonly key: ReadingKey;
  readonly label: string;
  readonly unit?: string;
  readonly quantity?: "depth" | "temperature";
  /** decimals that its instrument shows */
  readonly digits: number;
  readonly extra?: string;
  /** a difference that nobody would ask about, in the canonical unit: an everyday step of its kind; assumed */
  readonly everydayStep: number;
}

/** Everyday steps of what is read, in the canonical unit; assumed. */
export const STEP = { ec: 0.3, ph: 0.4, share: 12, level: 4, tension: 12, warmth: 4, co2: 300 } as const;

/** Read in any growing system, now and then: no part of the round with the pen. */
export const NOW_AND_THEN: readonly ReadingField[] = [
  {
    key: "rootC",
    digits: 1,
    label: "Root temperature",
    quantity: "temperature",
    extra: "in the root zone, in the morning",
    everydayStep: STEP.warmth,
  },
  {
    key: "co2Ppm",
    digits: 0,
    label: "CO₂",
    unit: "ppm",
    extra: "among the plants, while it is light",
    everydayStep: STEP.co2,
  },
];

/** In a jug under a dripper. */
export const DRIP: readonly ReadingField[] = [
  {
    key: "dripEcMsCm",
    digits: 2,
    label: "Drip EC",
    unit: "mS/cm",
    extra: "in a jug under a dripper",
    everydayStep: STEP.ec,
  },
  { key: "dripPh", digits: 1, label: "Drip pH", everydayStep: STEP.ph },
];
