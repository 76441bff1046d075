import type { ZoneDefinition } from "@sprunel/contract";
import type { Quantity } from "@sprunel/core";

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

export const ZONE_FIELDS: Record<ZoneDefinition["system"], readonly FieldSpec[]> = {
  substrate: [
    ...COMMON,
    { key: "waterHeldLPlant", label: "Water held per plant", quantity: "volume" },
    {
      key: "easilyAvailablePct",
      label: "Easily available of it",
      unit: "%",
      start: 45,
      startSource: "coir, usual range 35 to 55 %",
    },
    {
      key: "pulseSharePct",
      label: "A pulse, of the water held",
      unit: "%",
      start: 4,
      startSource: "wool and coir, 3 to 6 %",
    },
  ],
  "soil-drip": [
    ...COMMON,
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
    { key: "ecWaterMsCm", label: "EC of the water", unit: "mS/cm" },
  ],
};

export function startValues(system: ZoneDefinition["system"]): Record<string, number | string> {
  const starts = ZONE_FIELDS[system].flatMap((field) =>
    field.start === undefined ? [] : [[field.key, field.start] as const],
  );
  return { system, ...Object.fromEntries(starts) };
}

export function startFields(system: ZoneDefinition["system"]): string[] {
  return ZONE_FIELDS[system].filter((field) => field.start !== undefined).map((field) => field.key);
}
