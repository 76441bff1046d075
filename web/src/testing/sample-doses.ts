import type { DosePlan, PlannedDose } from "@sprunel/contract/feed";

const NONE = { N: 0, P: 0, K: 0 };
export const sampleDose = (on: string, state: PlannedDose["state"], more: Partial<PlannedDose> = {}): PlannedDose => ({
  ...{
    on,
    basal: false,
    onlyIf: null,
    state,
    record: null,
    injection: null,
    band: null,
    mixedIntoL: null,
    nutrientsKgHa: { N: 6.25, P: 2.2, K: 14.2 },
  },
  products: [{ productId: "potassium-nitrate", name: "Potassium nitrate", kg: 1.28, gPlant: 1, mL: null }],
  ...more,
});
export function sampleSchool(
  school: DosePlan["schools"][number]["school"],
  more: Partial<DosePlan["schools"][number]>,
): DosePlan["schools"][number] {
  return {
    ...{ school, totalKgHa: null, operations: null, costM2: null, costKg: null, largestNKgHa: null },
    ...{ aheadNKgHa: null, leftKgHa: null, ecMsCm: null, workMin: null, path: null, note: null },
    ...more,
  };
}
export const samplePlan: DosePlan = {
  ...{
    zoneId: 1,
    date: "2026-06-16",
    missing: null,
    version: 3,
    unmet: [],
    warnings: [],
    fault: null,
    path: [],
    nitrogen: null,
    digestates: [],
    digestateCaps: [],
    past: [],
    leaf: [],
  },
  planting: {
    ...{ key: "2026-04-20", cropName: "Netted melon", plantedOn: "2026-04-20", areaM2: 640, plants: 1280 },
    lastWeek: { waterLM2: 3.2, lightMolM2: 24 },
    ...{ beds: 8, rowM: 640, piece: null, tankFeedL: 20_000 },
    stages: [{ id: "fill", name: "Fill", from: "2026-06-08" }],
  },
  programme: {
    ...{
      school: "ration",
      fromOn: "2026-05-01",
      yieldTHa: null,
      pieceG: null,
      efficiencyPct: { N: 80, P: 100, K: 85 },
      organic: [],
    },
    ...{ residuesKgHa: null, fixationKgHa: null, everyDays: 7, dressings: [], ppmN: 100, basalPct: 0 },
    ...{ largestNKgHa: null, shortestDays: null, lastOn: null, productIds: ["potassium-nitrate"] },
    ...{
      injectMin: 20,
      travelMin: null,
      mostEcMsCm: null,
      workMin: 20,
      changes: [],
      bandWidthCm: null,
      coated: [],
      ppmStages: [],
      season: null,
      soilClass: { P: null, K: null },
    },
  },
  need: {
    ...{ yieldTHa: 70, aim: "planting", removalKgT: { N: 4.2, P: 0.44, K: 4.6 }, removalSource: "an extension table" },
    uptakeKgHa: { N: 294, P: 30.8, K: 322 },
    credits: [
      { kind: "soil", from: "soil, 0 to 50 cm", N: 20, P: 0, K: 0, doubt: "the test is of 2019: counted at half" },
    ],
    soil: [{ nutrient: "P", is: "build", from: "12 mg/kg, test of 2026-03-12" }],
    toGiveKgHa: { N: 342, P: 30.8, K: 379 },
    warnings: [],
    working: [
      {
        ...{ label: "Uptake of N", formula: "yield · removal", substituted: "70 × 4.2", value: 294 },
        ...{ unit: "kg/ha", source: "removal as given" },
      },
    ],
  },
  doses: [
    sampleDose("2026-06-02", "given", { record: { id: 8, doneOn: "2026-06-03", reason: null } }),
    sampleDose("2026-06-09", "skipped", { products: [], record: { id: 9, doneOn: "2026-06-09", reason: "too wet" } }),
    sampleDose("2026-06-16", "due"),
    sampleDose("2026-06-23", "planned"),
  ],
  schools: [
    sampleSchool("ration", { totalKgHa: { N: 342, P: 30.8, K: 379 }, operations: 13, costM2: 0.19, aheadNKgHa: 20 }),
    sampleSchool("dressings", { totalKgHa: { N: 342, P: 30.8, K: 379 }, operations: 4 }),
    sampleSchool("constant", { totalKgHa: NONE, operations: 63, costM2: 0.1, note: "by the litres given" }),
  ],
  ledger: {
    given: { N: 12, P: 4, K: 28 },
    fed: NONE,
    digestate: NONE,
    water: NONE,
    credited: NONE,
    removed: null,
    leaf: NONE,
    drained: { N: null, P: null, K: null },
    left: null,
  },
};
