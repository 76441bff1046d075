import type { NewReading } from "@sprunel/contract/rootzone";
import type { System } from "@sprunel/contract/site";

export type ReadingKey = Exclude<keyof NewReading, "at">;

export interface ReadingField {
  readonly key: ReadingKey;
  readonly label: string;
  readonly unit?: string;
  readonly quantity?: "depth";
  /** decimals that its instrument shows */
  readonly digits: number;
  readonly extra?: string;
}

const DRIP: readonly ReadingField[] = [
  { key: "dripEcMsCm", digits: 2, label: "Drip EC", unit: "mS/cm", extra: "in a jug under a dripper" },
  { key: "dripPh", digits: 1, label: "Drip pH" },
];

/** What is read at each root zone, in the order of the walk; a system that is left out has nothing to read. */
export const READING_FIELDS: Partial<Record<System, readonly ReadingField[]>> = {
  substrate: [
    { key: "drainPct", digits: 0, label: "Drain share", unit: "%" },
    { key: "drainEcMsCm", digits: 2, label: "Drain EC", unit: "mS/cm" },
    { key: "drainPh", digits: 1, label: "Drain pH" },
    { key: "feedEcMsCm", digits: 2, label: "Feed EC", unit: "mS/cm", extra: "as last read; change it if it differs" },
    ...DRIP,
  ],
  "soil-drip": DRIP,
  "buried-drip": DRIP,
  "sub-irrigated-bench": [
    { key: "tankEcMsCm", digits: 2, label: "EC of the flood water", unit: "mS/cm" },
    { key: "tankPh", digits: 1, label: "pH of the flood water" },
    { key: "drainEcMsCm", digits: 2, label: "EC of what runs back", unit: "mS/cm" },
  ],
  "solution-tank": [
    { key: "tankEcMsCm", digits: 2, label: "EC of the solution", unit: "mS/cm" },
    { key: "tankPh", digits: 1, label: "pH of the solution" },
    { key: "levelCm", digits: 1, label: "Level", quantity: "depth", extra: "depth of the solution" },
  ],
  basin: [
    {
      key: "levelCm",
      digits: 1,
      label: "Water in the tube",
      quantity: "depth",
      extra: "above the soil; below it with a minus",
    },
  ],
};
