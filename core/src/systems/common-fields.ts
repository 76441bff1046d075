import type { Field } from "./growing-system.ts";

/** What every zone has. */
export const COMMON_FIELDS: readonly Field[] = [
  { key: "areaM2", name: "Area", unit: "m²", least: 0.5, most: 1_000_000 },
  { key: "plants", name: "Plants", unit: "", least: 1, most: 10_000_000, whole: true },
  { key: "flowLh", name: "Flow of the zone", unit: "L/h", least: 1, most: 500_000 },
  {
    key: "uniformityPct",
    name: "Uniformity",
    unit: "%",
    least: 30,
    most: 100,
    start: { value: 85, source: "a fair drip system, ASAE EP405" },
  },
  {
    key: "startAfterSunriseMin",
    name: "First water after sunrise",
    unit: "minutes",
    least: 0,
    most: 480,
    start: { value: 90, source: "usual practice" },
  },
  {
    key: "endBeforeSunsetMin",
    name: "Last water before sunset",
    unit: "minutes",
    least: 0,
    most: 480,
    start: { value: 120, source: "usual practice, so that roots dry down overnight" },
  },
  {
    key: "minGapMin",
    name: "Gap between pulses",
    unit: "minutes",
    least: 0,
    most: 240,
    start: { value: 15, source: "usual practice" },
  },
];

/** What pots, bags and slabs have. */
export const POT_FIELDS: readonly Field[] = [
  {
    key: "waterHeldLPlant",
    name: "Water held per plant",
    unit: "L",
    least: 0.05,
    most: 500,
    start: { value: 4, source: "a plant's share of a coir bag, 3 to 6 L; pots hold about a third of their volume" },
  },
  {
    key: "easilyAvailablePct",
    name: "Easily available share",
    unit: "%",
    least: 5,
    most: 95,
    start: { value: 45, source: "coir, usual range 35 to 55 %" },
  },
];
