import { Checks } from "../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";

/** What holds the substrate of a plant: bags, slabs, pots or troughs on the ground, or pots on a table or mat. */
type SubstrateVessel = {
  readonly kind: "bag" | "slab" | "pot" | "trough" | "table" | "mat";
  /** substrate in one vessel, L, 0.05 to 2000 */
  readonly substrateL: number;
  /** plants in one vessel, 1 to 200 */
  readonly plants: number;
  /** water that the substrate holds once it has drained, % of its volume, 10 to 95 */
  readonly holdsPct: number;
};

/** What holds the solution: a float tank, a deep one with air over it, or a film or channel with a return to a tank. */
type SolutionVessel = {
  readonly kind: "float" | "deep" | "film" | "channel";
  /** solution in the tank that feeds it and takes it back, L; 0 where the plants stand in the tank itself */
  readonly returnL: number;
};

export type Vessel = SubstrateVessel | SolutionVessel;

/** How a zone is laid out: beds, benches, tanks or basins, all alike, with their plants and drippers. */
export interface Layout {
  /** 1 to 2000 */
  readonly beds: number;
  /** m, 0.2 to 1000 */
  readonly lengthM: number;
  /** from the middle of one bed to the next, path included, m, 0.1 to 200 */
  readonly widthM: number;
  /** 1 to 60 rows of plants on a bed */
  readonly rows: number;
  /** from plant to plant in a row, m, 0.01 to 20 */
  readonly inRowM: number;
  /** every second row moved by half a plant, and so one plant shorter */
  readonly offset: boolean;
  /** drip lines on a bed; 0 where nothing drips */
  readonly linesPerBed: number;
  /** m, 0.02 to 20 */
  readonly dripperSpacingM: number;
  /** L/h of a dripper; a pump's flow is typed instead where nothing drips */
  readonly dripperLh: number;
  /** drippers that stand at plants, not along a line: bags, slabs and pots; 0 along lines */
  readonly drippersPerPlant: number;
  /** null where roots live in the ground, or where nobody said */
  readonly vessel: Vessel | null;
}

export interface Stand {
  readonly areaM2: number;
  readonly plants: number;
  readonly plantsPerBed: number;
  readonly plantsPerM2: number;
  readonly plantsPerHa: number;
  readonly drippers: number;
  /** 0 where nothing drips */
  readonly flowLh: number;
  readonly litresPerPlantH: number;
  /** what the ground gets in an hour */
  readonly mmPerH: number;
  readonly lineM: number;
  /** bags, slabs, pots or troughs; 0 without */
  readonly vessels: number;
  /** substrate and the water in it when drained, L a plant; null without substrate */
  readonly substrateLPlant: number | null;
  readonly waterHeldLPlant: number | null;
  /** what the return tank holds as a depth over the zone's ground, cm; null without one */
  readonly returnCm: number | null;
  readonly working: readonly WorkingStep[];
}

/**
 * What follows from a layout: ground, stand, drippers, and what an hour of water is.
 *
 * @throws {DomainError} for values that cannot be, all at once
 */
export function standOf(layout: Layout): Stand {
  checkLayout(layout);
  const { beds, lengthM, widthM, rows, inRowM, offset, linesPerBed, dripperSpacingM, dripperLh, drippersPerPlant } =
    layout;
  const sheet = new Worksheet();
  const whole = (metres: number, step: number): number => Math.floor(metres / step + 1e-9);
  const areaM2 = sheet.note(
    "Ground",
    "beds · length · width",
    fill`${beds} × ${lengthM} × ${widthM}`,
    beds * lengthM * widthM,
    "m²",
    "path included",
  );
  const inRow = whole(lengthM, inRowM);
  const shorter = offset ? Math.floor(rows / 2) : 0;
  const plantsPerBed = sheet.note(
    "Plants on a bed",
    offset ? "rows · ⌊length / spacing⌋ − one for every second row" : "rows · ⌊length / spacing⌋",
    offset ? fill`${rows} × ${inRow} − ${shorter}` : fill`${rows} × ${inRow}`,
    rows * inRow - shorter,
    "",
    "planting pattern",
  );
  const plants = sheet.note(
    "Plants",
    "beds · plants on a bed",
    fill`${beds} × ${plantsPerBed}`,
    beds * plantsPerBed,
    "",
    "planting pattern",
  );
  const lineM = beds * linesPerBed * lengthM;
  const alongLines = beds * linesPerBed * whole(lengthM, dripperSpacingM);
  const atPlants = plants * drippersPerPlant;
  const drippers = sheet.note(
    "Drippers",
    drippersPerPlant > 0 ? "plants · drippers a plant" : "beds · lines · ⌊length / spacing⌋",
    drippersPerPlant > 0
      ? fill`${plants} × ${drippersPerPlant}`
      : fill`${beds} × ${linesPerBed} × ${whole(lengthM, dripperSpacingM)}`,
    drippersPerPlant > 0 ? atPlants : alongLines,
    "",
    "layout of the lines",
  );
  const flowLh = sheet.note(
    "Flow",
    "drippers · flow of one",
    fill`${drippers} × ${dripperLh}`,
    drippers * dripperLh,
    "L/h",
    "catalogue; a meter beats it",
  );
  const mmPerH = sheet.note(
    "Water in an hour",
    "flow / ground",
    fill`${flowLh} ÷ ${areaM2}`,
    flowLh / areaM2,
    "mm/h",
    "1 L on 1 m² is 1 mm",
  );
  return {
    ...inVessels(layout.vessel, plants, areaM2, sheet),
    areaM2,
    plants,
    plantsPerBed,
    plantsPerM2: plants / areaM2,
    plantsPerHa: (plants / areaM2) * 10_000,
    drippers,
    flowLh,
    litresPerPlantH: flowLh / plants,
    mmPerH,
    lineM,
    working: sheet.steps,
  };
}

function inVessels(
  vessel: Vessel | null,
  plants: number,
  areaM2: number,
  sheet: Worksheet,
): Pick<Stand, "vessels" | "substrateLPlant" | "waterHeldLPlant" | "returnCm"> {
  const none = { vessels: 0, substrateLPlant: null, waterHeldLPlant: null, returnCm: null };
  if (!vessel) return none;
  if ("returnL" in vessel)
    return {
      ...none,
      returnCm:
        vessel.returnL > 0
          ? sheet.note(
              "Solution over the ground",
              "return tank / ground ÷ 10",
              fill`${vessel.returnL} L ÷ ${areaM2} m² ÷ 10`,
              vessel.returnL / areaM2 / 10,
              "cm",
              "1 L on 1 m² is 1 mm",
            )
          : null,
    };
  const substrateLPlant = sheet.note(
    "Substrate for a plant",
    "substrate in one / plants in it",
    fill`${vessel.substrateL} ÷ ${vessel.plants}`,
    vessel.substrateL / vessel.plants,
    "L",
    "vessels as entered",
  );
  return {
    ...none,
    vessels: Math.ceil(plants / vessel.plants),
    substrateLPlant,
    waterHeldLPlant: sheet.note(
      "Water held for a plant",
      "substrate · share that it holds when drained",
      fill`${substrateLPlant} × ${vessel.holdsPct / 100}`,
      (substrateLPlant * vessel.holdsPct) / 100,
      "L",
      "container capacity as entered",
    ),
  };
}

/**
 * Seedlings to raise so that every place is filled.
 *
 * @param germinationPct of sown seeds that come up, 1 to 100
 * @param lostPct of those that are lost before planting, 0 to 90
 */
export function seedlingsFor(plants: number, germinationPct: number, lostPct: number): number {
  new Checks()
    .range("germinationPct", "Germination", germinationPct, 1, 100, "%")
    .range("lostPct", "Losses before planting", lostPct, 0, 90, "%")
    .done();
  return Math.ceil(plants / ((germinationPct / 100) * (1 - lostPct / 100)) - 1e-9);
}

function checkLayout(layout: Layout): void {
  const { lengthM, inRowM, linesPerBed, dripperSpacingM, drippersPerPlant, vessel } = layout;
  const checks = new Checks();
  if (vessel && "returnL" in vessel)
    checks.range("vessel.returnL", "The return tank", vessel.returnL, 0, 1_000_000, "L");
  else if (vessel)
    checks
      .range("vessel.substrateL", "The substrate in one", vessel.substrateL, 0.05, 2000, "L")
      .range("vessel.plants", "The plants in one", vessel.plants, 1, 200)
      .range("vessel.holdsPct", "What the substrate holds", vessel.holdsPct, 10, 95, "%");
  checks
    .range("beds", "The number of beds", layout.beds, 1, 2000)
    .range("lengthM", "The bed's length", lengthM, 0.2, 1000, "m")
    .range("widthM", "The bed's width with its path", layout.widthM, 0.1, 200, "m")
    .range("rows", "The rows on a bed", layout.rows, 1, 60)
    .range("inRowM", "The distance in the row", inRowM, 0.01, 20, "m")
    .range("linesPerBed", "The drip lines on a bed", linesPerBed, 0, 20)
    .range("dripperSpacingM", "The spacing of drippers", dripperSpacingM, 0.02, 20, "m")
    .range("dripperLh", "The dripper's flow", layout.dripperLh, 0, 200, "L/h")
    .range("drippersPerPlant", "The drippers at a plant", drippersPerPlant, 0, 10)
    .when(
      inRowM > lengthM,
      "not-possible",
      "inRowM",
      `No plant stands on a bed of ${lengthM} m at a distance of ${inRowM} m.`,
    )
    .when(
      linesPerBed > 0 && dripperSpacingM > lengthM,
      "not-possible",
      "dripperSpacingM",
      `No dripper lies on a line of ${lengthM} m at a spacing of ${dripperSpacingM} m.`,
    )
    .done();
}
