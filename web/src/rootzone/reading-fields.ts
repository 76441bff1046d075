import type { NewReading } from "@sprunel/contract/rootzone";
import type { System } from "@sprunel/contract/site";
import { farFromPast } from "@sprunel/core/rootzone";
import type { Shown } from "../units/show.ts";
import type { LastOfZone } from "./use-readings.ts";

export type ReadingKey = Exclude<keyof NewReading, "at">;

export interface ReadingField {
  readonly key: ReadingKey;
  readonly label: string;
  readonly unit?: string;
  readonly quantity?: "depth";
  /** decimals that its instrument shows */
  readonly digits: number;
  readonly extra?: string;
  /** a difference that nobody would ask about, in the canonical unit: an everyday step of its kind; assumed */
  readonly everydayStep: number;
}

const STEP = { ec: 0.3, ph: 0.4, share: 12, level: 4, tension: 12 } as const;

const DRIP: readonly ReadingField[] = [
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

const SOIL: readonly ReadingField[] = [
  {
    key: "tensionKpa",
    digits: 0,
    label: "Tension",
    unit: "kPa",
    extra: "at the tensiometer among the roots",
    everydayStep: STEP.tension,
  },
  ...DRIP,
];

/** What is read at each root zone, in the order of the walk; a system that is left out has nothing to read. */
export const READING_FIELDS: Partial<Record<System, readonly ReadingField[]>> = {
  substrate: [
    { key: "drainPct", digits: 0, label: "Drain share", unit: "%", everydayStep: STEP.share },
    { key: "drainEcMsCm", digits: 2, label: "Drain EC", unit: "mS/cm", everydayStep: STEP.ec },
    { key: "drainPh", digits: 1, label: "Drain pH", everydayStep: STEP.ph },
    {
      key: "feedEcMsCm",
      digits: 2,
      label: "Feed EC",
      unit: "mS/cm",
      extra: "as last read; change it if it differs",
      everydayStep: STEP.ec,
    },
    ...DRIP,
  ],
  "soil-drip": SOIL,
  "buried-drip": SOIL,
  "sub-irrigated-bench": [
    { key: "tankEcMsCm", digits: 2, label: "EC of the flood water", unit: "mS/cm", everydayStep: STEP.ec },
    { key: "tankPh", digits: 1, label: "pH of the flood water", everydayStep: STEP.ph },
    { key: "drainEcMsCm", digits: 2, label: "EC of what runs back", unit: "mS/cm", everydayStep: STEP.ec },
  ],
  "solution-tank": [
    { key: "tankEcMsCm", digits: 2, label: "EC of the solution", unit: "mS/cm", everydayStep: STEP.ec },
    { key: "tankPh", digits: 1, label: "pH of the solution", everydayStep: STEP.ph },
    {
      key: "levelCm",
      digits: 1,
      label: "Level",
      quantity: "depth",
      extra: "depth of the solution",
      everydayStep: STEP.level,
    },
  ],
  basin: [
    {
      key: "levelCm",
      digits: 1,
      label: "Water in the tube",
      quantity: "depth",
      extra: "above the soil; below it with a minus",
      everydayStep: STEP.level,
    },
  ],
};

export type Show = (quantity: "depth", value: number) => Shown;

/** A value of a kind with its unit, with the digits that its instrument shows. */
export function shownReading({ quantity, unit, digits }: ReadingField, value: number, show: Show): string {
  const shown = quantity ? show(quantity, value) : { text: value.toFixed(digits), unit: unit ?? "" };
  return `${shown.text} ${shown.unit}`.trim();
}

/** @returns how a value is far from the zone's own past, or null where it is not, or too little is known */
export function unusualWords(field: ReadingField, value: number, last: LastOfZone, show: Show): string | null {
  const past = (last[field.key] ?? []).map((one) => one.value);
  const usual = farFromPast(value, past, field.everydayStep);
  if (!usual) return null;
  const shown = (one: number): string => shownReading(field, one, show);
  return `${field.label.toLowerCase()}: ${shown(value)} is far from the last readings, ${shown(usual.least)} to ${shown(usual.most)}.`;
}
