import { NOTHING_DRIPS } from "../site/layout-starts.ts";
import type { BuriedDripZone } from "../site/zone.ts";
import { DRIPPED_SOIL_FIELDS, refillSoil, soilMarks, soilStore } from "./dripped-soil.ts";
import type { GrowingSystem } from "./growing-system.ts";

/** Lines below the ground, run long and slowly on some days of the week. */
export const buriedDrip: GrowingSystem<BuriedDripZone> = {
  id: "buried-drip",
  fields: [
    ...DRIPPED_SOIL_FIELDS,
    {
      key: "lineDepthCm",
      name: "Depth of the lines",
      unit: "cm",
      least: 2,
      most: 100,
      start: { value: 25, source: "field rows, 15 to 40 cm" },
    },
    {
      key: "daysAWeek",
      name: "Watering days in a week",
      unit: "",
      least: 1,
      most: 7,
      whole: true,
      start: { value: 6, source: "long, slow runs on all days but one" },
    },
  ],
  store: soilStore,
  marks: soilMarks,
  seen: () => ({}),
  missingMm: () => null,
  layout: {
    ...NOTHING_DRIPS,
    widthM: 1.5,
    rows: 2,
    inRowM: 0.25,
    linesPerBed: 1,
    dripperSpacingM: 0.4,
    dripperLh: 1,
  },
  dripped: true,
  demand: "reference",
  // What seeps out below leaves the surface dry.
  wetsPct: () => 0,
  policy: refillSoil,
  watersOn: ({ daysAWeek }, date) => isWateringDay(daysAWeek, date),
};

/** Spread evenly from Monday on. */
function isWateringDay(daysAWeek: number, date: string): boolean {
  const weekday = (new Date(`${date}T00:00:00Z`).getUTCDay() + 6) % 7;
  return Math.floor(((weekday + 1) * daysAWeek) / 7) > Math.floor((weekday * daysAWeek) / 7);
}
