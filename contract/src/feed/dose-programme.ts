import { SCHOOLS, SEASON_POLICIES, SOIL_CLASSES } from "@sprunel/core/feed/doses";
import { z } from "zod";
import {
  countSchema,
  dateSchema,
  idSchema,
  instantSchema,
  labelSchema,
  listSchema,
  quantitySchema,
  textSchema,
  versionSchema,
} from "../basics/basics.ts";

/** Weighing, dissolving and watching one dose. Assumed. */
export const USUAL_WORK_MIN = 20;

const percent = (name: string, least = 0) => quantitySchema(name, least, 100, "%");
const mainOf = <T extends z.ZodType>(of: (nutrient: string) => T) =>
  z.strictObject({ N: of("nitrogen"), P: of("phosphorus"), K: of("potassium") });

const after = (what: string) => countSchema(`The days after ${what}`, 0, 400);
const dressingDaySchema = z.discriminatedUnion(
  "kind",
  [
    z.strictObject({ kind: z.literal("date"), on: dateSchema }),
    z.strictObject({ kind: z.literal("planting"), days: after("planting") }),
    z.strictObject({ kind: z.literal("stage"), stageId: labelSchema("The stage"), days: after("it begins") }),
    z.strictObject({ kind: z.literal("pick"), pick: countSchema("The pick", 1, 200), days: after("the pick") }),
  ],
  { error: () => "A dressing is given on a date, or after planting, a stage or a pick." },
);

const dressingSchema = z.strictObject({
  day: dressingDaySchema,
  /** again and again after it; null: once */
  repeat: z
    .strictObject({ everyDays: countSchema("The days from one to the next", 1, 120), until: dressingDaySchema })
    .nullable()
    .default(null),
  /** of nitrogen, in all its times together */
  sharePct: percent("A share"),
  /** of phosphorus and potassium; null: the same share */
  shareP: percent("A share").nullable().default(null),
  shareK: percent("A share").nullable().default(null),
  /** of which bags; null: of all that the programme may use */
  productIds: listSchema("The bags of a part", labelSchema("A product"), 30).nullable().default(null),
  /** what must be so before it is given, as "growth under its band"; null: it is given whatever comes */
  onlyIf: textSchema("What must be so", 100).nullable().default(null),
});

const soilClassSchema = z.enum(SOIL_CLASSES, {
  error: () => `A soil's class is one of ${SOIL_CLASSES.join(", ")}.`,
});

const changeSchema = z.strictObject({
  fromOn: dateSchema,
  untilOn: dateSchema.nullable(),
  /** of what was planned; 100 leaves it as it is */
  factorPct: mainOf((nutrient) => quantitySchema(`The change of ${nutrient}`, 0, 300, "%")),
  /** with the first dose from that day on */
  addKgHa: mainOf((nutrient) => quantitySchema(`The added ${nutrient}`, 0, 500, "kg/ha")),
  why: textSchema("The reason", 200),
});

/** How a planting is fed in doses. */
export const programmeSchema = z
  .strictObject({
    school: z.enum(SCHOOLS, { error: () => `The school must be one of ${SCHOOLS.join(", ")}.` }),
    /** in force from then on: doses before it are nobody's; null from planting on */
    fromOn: dateSchema.nullable(),
    /** null: the planting's own aim */
    yieldTHa: quantitySchema("The yield aimed at", 0.1, 1000, "t/ha").nullable(),
    /** of a crop that is sold by the piece: what one weighs as it is taken off, with leaf and root that go with it */
    pieceG: quantitySchema("The weight of a piece", 0.1, 100_000, "g").nullable().default(null),
    efficiencyPct: mainOf((nutrient) => percent(`What the crop takes up of ${nutrient}`, 5)),
    organic: listSchema(
      "Manures and composts",
      z.strictObject({
        name: textSchema("The manure's name", 60),
        tHa: quantitySchema("The manure", 0.1, 500, "t/ha"),
        nPct: quantitySchema("Nitrogen of the manure", 0, 20, "%"),
        pPct: quantitySchema("Phosphorus of the manure", 0, 20, "%"),
        kPct: quantitySchema("Potassium of the manure", 0, 20, "%"),
        nDecayPct: listSchema("The decay series", percent("What is set free in a year"), 20),
        yearsAgo: countSchema("The years since it was spread", 0, 20),
      }),
      20,
    ),
    /** coated grains, mixed in or laid at each plant */
    coated: listSchema(
      "Coated grains",
      z.strictObject({
        name: textSchema("The grains' name", 60),
        on: dateSchema,
        gPlant: quantitySchema("The grains at a plant", 0.01, 5000, "g"),
        nPct: quantitySchema("Nitrogen of the grains", 0, 46, "%"),
        pPct: quantitySchema("Phosphorus of the grains", 0, 20, "%"),
        kPct: quantitySchema("Potassium of the grains", 0, 40, "%"),
        longevityDays: quantitySchema("The time of the grains", 14, 730, "days"),
        statedAtC: quantitySchema("The temperature that it is stated at", 10, 30, "°C"),
      }),
      10,
    ).default([]),
    /** what the soil's P and K ask for; null: as its newest test says */
    soilClass: z
      .strictObject({ P: soilClassSchema.nullable(), K: soilClassSchema.nullable() })
      .default({ P: null, K: null }),
    residuesKgHa: quantitySchema("Nitrogen of residues", 0, 500, "kg/ha").nullable(),
    fixationKgHa: quantitySchema("Nitrogen fixed from the air", 0, 500, "kg/ha").nullable(),
    /** where doses follow the water, so many days are mixed for at once */
    everyDays: countSchema("The days from one dose to the next", 1, 60),
    dressings: listSchema("Dressings", dressingSchema, 60),
    ppmN: quantitySchema("Nitrogen of the feed", 1, 1000, "mg/L"),
    /** in stages in which it is another */
    ppmStages: listSchema(
      "Strengths by stage",
      z.strictObject({
        stageId: labelSchema("The stage"),
        ppmN: quantitySchema("Nitrogen of the feed", 1, 1000, "mg/L"),
      }),
      20,
    ).default([]),
    /** of constant feed: how its strength follows light and water; null: it does not */
    season: z
      .strictObject({
        policy: z.enum(SEASON_POLICIES, {
          error: () => `The strength goes by one of ${SEASON_POLICIES.join(", ")}.`,
        }),
        usualWaterLM2: quantitySchema("The water of the day that the strength is meant for", 0.1, 30, "L/m²"),
        usualLightMolM2: quantitySchema("The light of the day that the strength is meant for", 0.5, 80, "mol/m²"),
        least: quantitySchema("The least factor", 0.2, 1, "of the strength"),
        most: quantitySchema("The greatest factor", 1, 3, "of the strength"),
      })
      .nullable()
      .default(null),
    basalPct: percent("The basal share"),
    /** the basal share is laid in strips so wide; null: spread over all */
    bandWidthCm: quantitySchema("The width of the strip", 2, 200, "cm").nullable().default(null),
    largestNKgHa: quantitySchema("The largest N of a dose", 1, 500, "kg/ha").nullable(),
    shortestDays: countSchema("The days between parts of a dose", 1, 60).nullable(),
    lastOn: dateSchema.nullable(),
    /** so long a dose is injected into the water; null: it is spread by hand */
    injectMin: quantitySchema("The minutes of injection", 1, 600, "minutes").nullable().default(null),
    /** until a solution comes out of the farthest dripper; null: as the zone's lines say */
    travelMin: quantitySchema("The minutes to the farthest dripper", 0, 600, "minutes").nullable().default(null),
    /** of a person's work, to weigh, dissolve and watch one dose */
    workMin: quantitySchema("The work of a dose", 0, 600, "minutes").default(USUAL_WORK_MIN),
    mostEcMsCm: quantitySchema("The most EC at the dripper", 0.2, 20, "mS/cm").nullable().default(null),
    productIds: listSchema("Products", labelSchema("A product"), 30),
    /** made while the crop grew: after a result of leaf or sap, or for what drained away */
    changes: listSchema("Changes", changeSchema, 100).default([]),
  })
  .superRefine(({ dressings, largestNKgHa, shortestDays, productIds }, context) => {
    for (const [name, key] of [
      ["", "sharePct"],
      [" of P", "shareP"],
      [" of K", "shareK"],
    ] as const) {
      if (dressings.every((dressing) => dressing[key] === null)) continue;
      const sum = dressings.reduce((total, dressing) => total + (dressing[key] ?? dressing.sharePct), 0);
      if (dressings.length > 0 && Math.abs(sum - 100) > 0.05)
        context.addIssue({
          code: "custom",
          path: ["dressings"],
          message: `The shares${name} of the dressings must add up to 100 %; these add up to ${Number(sum.toFixed(2))} %.`,
        });
    }
    dressings.forEach((dressing, at) => {
      const stray = dressing.productIds?.find((id) => !productIds.includes(id));
      if (stray !== undefined)
        context.addIssue({
          code: "custom",
          path: ["dressings", at, "productIds"],
          message: `${stray} is not among the bags that this programme may use.`,
        });
    });
    if (largestNKgHa !== null && shortestDays === null)
      context.addIssue({
        code: "custom",
        path: ["shortestDays"],
        message: "A dose that is too large is given in parts: say how many days lie between them, 1 to 60.",
      });
  });
export type DoseProgramme = z.infer<typeof programmeSchema>;

/** A programme that is kept under a name, for other plantings and other years. */
export const newKeptProgrammeSchema = z
  .strictObject({
    /** made by the page, so that a second sending is not a second version */
    key: z.uuid({ error: () => "The key is no UUID." }),
    name: textSchema("The programme's name", 60),
    programme: programmeSchema,
  })
  .meta({ id: "NewKeptProgramme" });
export type NewKeptProgramme = z.infer<typeof newKeptProgrammeSchema>;

export const keptProgrammesSchema = z
  .object({
    programmes: z.array(
      newKeptProgrammeSchema.omit({ key: true }).extend({
        id: idSchema,
        /** counted up under one name */
        version: versionSchema,
        keptAt: instantSchema,
        /** where it was made */
        madeIn: z.string(),
        /** zones in which it is in force as it stands */
        usedBy: z.array(z.string()),
      }),
    ),
  })
  .meta({ id: "KeptProgrammes" });
export type KeptProgramme = z.infer<typeof keptProgrammesSchema>["programmes"][number];
