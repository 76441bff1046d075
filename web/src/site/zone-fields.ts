import type { System } from "@sprunel/contract/site";
import { ZONE_STARTS, type ZoneField, type ZoneStart } from "@sprunel/core/site";
import type { Quantity } from "@sprunel/core/units";

interface FieldSpec {
  readonly key: string;
  readonly label: string;
  readonly quantity?: Quantity;
  readonly unit?: string;
}

const COMMON: readonly FieldSpec[] = [
  { key: "areaM2", label: "Area", quantity: "area" },
  { key: "plants", label: "Plants", unit: "plants" },
  { key: "flowLh", label: "Flow of the whole zone", quantity: "flow" },
  { key: "uniformityPct", label: "Uniformity", unit: "%" },
  {
    key: "startAfterSunriseMin",
    label: "First water after sunrise",
    unit: "min",
  },
  {
    key: "endBeforeSunsetMin",
    label: "Last water before sunset",
    unit: "min",
  },
  { key: "minGapMin", label: "Gap between pulses", unit: "min" },
];

const POTS: readonly FieldSpec[] = [
  {
    key: "waterHeldLPlant",
    label: "Water held per plant",
    quantity: "volume",
  },
  {
    key: "easilyAvailablePct",
    label: "Easily available of it",
    unit: "%",
  },
];

const DRIPPED_SOIL: readonly FieldSpec[] = [
  {
    key: "availableMmM",
    label: "Available water in 1 m of soil",
    unit: "mm",
  },
  {
    key: "wettedPct",
    label: "Wetted share of the ground",
    unit: "%",
  },
  {
    key: "triggerPct",
    label: "Watered when so much is gone",
    unit: "%",
  },
  {
    key: "refillPct",
    label: "Refill of the root zone",
    unit: "%",
  },
  { key: "ecWaterMsCm", label: "EC of the water", unit: "mS/cm" },
  {
    key: "mulchSavesPct",
    label: "A mulch saves, of the crop's water",
    unit: "%",
  },
];

export const ZONE_FIELDS: Record<System, readonly FieldSpec[]> = {
  substrate: [
    ...COMMON,
    ...POTS,
    {
      key: "pulseSharePct",
      label: "A pulse, of the water held",
      unit: "%",
    },
  ],
  "soil-drip": [...COMMON, ...DRIPPED_SOIL],
  "solution-tank": [
    ...COMMON,
    { key: "fullLevelCm", label: "Level when full", unit: "cm" },
    {
      key: "topUpAtCm",
      label: "Topped up at",
      unit: "cm",
    },
  ],
  "sub-irrigated-bench": [
    ...COMMON,
    ...POTS,
    {
      key: "floodAtPct",
      label: "Flooded when so much is left",
      unit: "%",
    },
    {
      key: "floodDepthMm",
      label: "Depth of a flood",
      unit: "mm",
    },
  ],
  "buried-drip": [
    ...COMMON,
    ...DRIPPED_SOIL,
    { key: "lineDepthCm", label: "Depth of the lines", unit: "cm" },
    {
      key: "daysAWeek",
      label: "Watering days in a week",
      unit: "days",
    },
  ],
  basin: [
    ...COMMON,
    {
      key: "floodDepthMm",
      label: "Depth of a flood",
      unit: "mm",
    },
    {
      key: "bundCm",
      label: "Height of the bund",
      unit: "cm",
    },
    {
      key: "refloodAtCm",
      label: "Flooded again at, in the tube",
      unit: "cm below",
    },
    {
      key: "percolationMmDay",
      label: "Percolation",
      unit: "mm/day",
    },
    {
      key: "drainablePct",
      label: "Drainable share of the soil",
      unit: "%",
    },
  ],
};

/** What a new zone's field starts from, and what that rests on; none for what only its grower knows. */
export function startOf(system: System, key: string): ZoneStart | undefined {
  return ZONE_STARTS[system][key as ZoneField];
}

export function startValues(system: System): Record<string, number | string> {
  return { system, ...Object.fromEntries(startFields(system).map((key) => [key, startOf(system, key)?.value ?? 0])) };
}

export function startFields(system: System): string[] {
  return ZONE_FIELDS[system].flatMap(({ key }) => (startOf(system, key) ? [key] : []));
}
