import { NOTHING_DRIPS } from "../site/layout-starts.ts";
import type { SoilDripZone } from "../site/zone.ts";
import { DRIPPED_SOIL_FIELDS, refillSoil, soilMarks, soilStore } from "./dripped-soil.ts";
import type { GrowingSystem } from "./growing-system.ts";

/** Drip lines on the ground, wetting a share of it. */
export const soilDrip: GrowingSystem<SoilDripZone> = {
  id: "soil-drip",
  fields: DRIPPED_SOIL_FIELDS,
  store: soilStore,
  marks: soilMarks,
  seen: () => ({}),
  missingMm: () => null,
  layout: { ...NOTHING_DRIPS, widthM: 1.6, rows: 2, inRowM: 0.5, linesPerBed: 2, dripperLh: 1.1 },
  dripped: true,
  demand: "reference",
  wetsPct: ({ wettedPct }) => wettedPct,
  policy: refillSoil,
};
