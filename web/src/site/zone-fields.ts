import type { System } from "@sprunel/contract/site";
import type { Quantity } from "@sprunel/core/units";

export interface FieldSpec {
  readonly key: string;
  readonly label: string;
  readonly quantity?: Quantity;
  readonly unit?: string;
  /** starting value of a new zone, with what it rests on; it stays marked until somebody confirms it */
  readonly start?: number;
  readonly startSource?: string;
}

const COMMON: readonly FieldSpec[] = [
  { key: "areaM2", label: "Area", quantity: "area" },
  { key: "plants", label: "Plants", unit: "plants" },
  { key: "flowLh", label: "Flow of the whole zone", quantity: "flow" },
  { key: "uniformityPct", label: "Uniformity", unit: "%", start: 85, startSource: "a fair drip system, ASAE EP405" },
  {
    key: "startAfterSunriseMin",
    label: "First water after sunrise",
    unit: "min",
    start: 90,
    startSource: "usual practice",
  },
  {
    key: "endBeforeSunsetMin",
    label: "Last water before sunset",
    unit: "min",
    start: 120,
    startSource: "usual practice, so that roots dry down overnight",
  },
  { key: "minGapMin", label: "Gap between pulses", unit: "min", start: 15, startSource: "usual practice" },
];

const POTS: readonly FieldSpec[] = [
  {
    key: "waterHeldLPlant",
    label: "Water held per plant",
    quantity: "volume",
    start: 4,
    startSource: "a plant's share of a coir bag, 3 to 6 L; pots hold about a third of their volume",
  },
  {
    key: "easilyAvailablePct",
    label: "Easily available of it",
    unit: "%",
    start: 45,
    startSource: "coir, usual range 35 to 55 %",
  },
];

const DRIPPED_SOIL: readonly FieldSpec[] = [
  {
    key: "availableMmM",
    label: "Available water in 1 m of soil",
    unit: "mm",
    start: 140,
    startSource: "loam, FAO-56 table 19",
  },
  {
    key: "wettedPct",
    label: "Wetted share of the ground",
    unit: "%",
    start: 50,
    startSource: "drip on a medium soil, 40 to 60 %",
  },
  {
    key: "triggerPct",
    label: "Watered when so much is gone",
    unit: "%",
    start: 30,
    startSource: "of the available water; never past FAO-56 p",
  },
  {
    key: "refillPct",
    label: "Refill of the root zone",
    unit: "%",
    start: 95,
    startSource: "leaves room for a late shower or a wrong meter",
  },
  { key: "ecWaterMsCm", label: "EC of the water", unit: "mS/cm", start: 0.6, startSource: "read it with a pen" },
  {
    key: "mulchSavesPct",
    label: "A mulch saves, of the crop's water",
    unit: "%",
    start: 0,
    startSource: "bare soil; plastic film 10 to 30 %, straw about 5 %, FAO-56 chapter 10",
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
      start: 4,
      startSource: "wool and coir, 3 to 6 %",
    },
  ],
  "soil-drip": [...COMMON, ...DRIPPED_SOIL],
  "solution-tank": [
    ...COMMON,
    { key: "fullLevelCm", label: "Level when full", unit: "cm", start: 25, startSource: "float tanks, 20 to 30 cm" },
    {
      key: "topUpAtCm",
      label: "Topped up at",
      unit: "cm",
      start: 23,
      startSource: "so that roots in the moist air above never reach dry",
    },
  ],
  "sub-irrigated-bench": [
    ...COMMON,
    ...POTS,
    {
      key: "floodAtPct",
      label: "Flooded when so much is left",
      unit: "%",
      start: 60,
      startSource: "usual practice by pot weight, 50 to 70 %",
    },
    {
      key: "floodDepthMm",
      label: "Depth of a flood",
      unit: "mm",
      start: 25,
      startSource: "ebb-and-flood benches, 20 to 30 mm",
    },
  ],
  "buried-drip": [
    ...COMMON,
    ...DRIPPED_SOIL,
    { key: "lineDepthCm", label: "Depth of the lines", unit: "cm", start: 25, startSource: "field rows, 15 to 40 cm" },
    {
      key: "daysAWeek",
      label: "Watering days in a week",
      unit: "days",
      start: 5,
      startSource: "long, slow runs on most days",
    },
  ],
  basin: [
    ...COMMON,
    {
      key: "floodDepthMm",
      label: "Depth of a flood",
      unit: "mm",
      start: 40,
      startSource: "shallow flood, 30 to 50 mm",
    },
    {
      key: "bundCm",
      label: "Height of the bund",
      unit: "cm",
      start: 20,
      startSource: "usual practice, 15 to 30 cm; 5 cm stay free, rain is kept under them",
    },
    {
      key: "refloodAtCm",
      label: "Flooded again at, in the tube",
      unit: "cm below",
      start: 15,
      startSource: "safe limit of wetting and drying in turn",
    },
    {
      key: "percolationMmDay",
      label: "Percolation",
      unit: "mm/day",
      start: 4,
      startSource: "puddled clay loam, 2 to 6 mm a day; measure it overnight",
    },
    {
      key: "drainablePct",
      label: "Drainable share of the soil",
      unit: "%",
      start: 10,
      startSource: "clay loam, 5 to 15 %",
    },
  ],
};

export function startValues(system: System): Record<string, number | string> {
  const starts = ZONE_FIELDS[system].flatMap((field) =>
    field.start === undefined ? [] : [[field.key, field.start] as const],
  );
  return { system, ...Object.fromEntries(starts) };
}

export function startFields(system: System): string[] {
  return ZONE_FIELDS[system].filter((field) => field.start !== undefined).map((field) => field.key);
}
