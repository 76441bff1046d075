import { SCHOOLS } from "@sprunel/core/feed";
import { z } from "zod";
import {
  countSchema,
  dateSchema,
  idSchema,
  labelSchema,
  listSchema,
  quantitySchema,
  textSchema,
  versionSchema,
  workingStepSchema,
} from "../basics/basics.ts";

const percent = (name: string, least = 0) => quantitySchema(name, least, 100, "%");
const mainOf = <T extends z.ZodType>(of: (nutrient: string) => T) =>
  z.strictObject({ N: of("nitrogen"), P: of("phosphorus"), K: of("potassium") });

const dressingDaySchema = z.discriminatedUnion(
  "kind",
  [
    z.strictObject({ kind: z.literal("date"), on: dateSchema }),
    z.strictObject({
      kind: z.literal("stage"),
      stageId: labelSchema("The stage"),
      days: countSchema("The days after it begins", 0, 400),
    }),
  ],
  { error: () => "A dressing is given on a date, or after a stage begins." },
);

const dressingSchema = z.strictObject({
  day: dressingDaySchema,
  sharePct: percent("A share"),
  /** what must be so before it is given, as "growth under its band"; null: it is given whatever comes */
  onlyIf: textSchema("What must be so", 100).nullable().default(null),
});

/** How a planting is fed in doses. */
export const programmeSchema = z
  .strictObject({
    school: z.enum(SCHOOLS, { error: () => `The school must be one of ${SCHOOLS.join(", ")}.` }),
    /** in force from then on: doses before it are nobody's; null from planting on */
    fromOn: dateSchema.nullable(),
    /** null: the planting's own aim */
    yieldTHa: quantitySchema("The yield aimed at", 0.1, 1000, "t/ha").nullable(),
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
    residuesKgHa: quantitySchema("Nitrogen of residues", 0, 500, "kg/ha").nullable(),
    fixationKgHa: quantitySchema("Nitrogen fixed from the air", 0, 500, "kg/ha").nullable(),
    everyDays: countSchema("The days from one dose to the next", 1, 60),
    dressings: listSchema("Dressings", dressingSchema, 60),
    ppmN: quantitySchema("Nitrogen of the feed", 1, 1000, "mg/L"),
    basalPct: percent("The basal share"),
    largestNKgHa: quantitySchema("The largest N of a dose", 1, 500, "kg/ha").nullable(),
    shortestDays: countSchema("The days between parts of a dose", 1, 60).nullable(),
    lastOn: dateSchema.nullable(),
    productIds: listSchema("Products", labelSchema("A product"), 30),
  })
  .superRefine(({ dressings, largestNKgHa, shortestDays }, context) => {
    const sum = dressings.reduce((total, { sharePct }) => total + sharePct, 0);
    if (dressings.length > 0 && Math.abs(sum - 100) > 0.05)
      context.addIssue({
        code: "custom",
        path: ["dressings"],
        message: `The shares of the dressings must add up to 100 %; these add up to ${Number(sum.toFixed(2))} %.`,
      });
    if (largestNKgHa !== null && shortestDays === null)
      context.addIssue({
        code: "custom",
        path: ["shortestDays"],
        message: "A dose that is too large is given in parts: say how many days lie between them, 1 to 60.",
      });
  });
export type DoseProgramme = z.infer<typeof programmeSchema>;

const amountsSchema = z.object({ N: z.number(), P: z.number(), K: z.number() });
const productAmountSchema = z.object({ productId: z.string(), name: z.string(), kg: z.number(), gPlant: z.number() });

/** A dose of the calendar, and what became of it. */
const plannedDoseSchema = z.object({
  /** the day for which it is planned; one given beside the calendar has the day it was given */
  on: dateSchema,
  basal: z.boolean(),
  /** what must be so before it is given; null: it is given whatever comes */
  onlyIf: z.string().nullable(),
  /** due: its day has come and nothing was noted of it */
  state: z.enum(["planned", "due", "given", "skipped"]),
  nutrientsKgHa: amountsSchema,
  products: z.array(productAmountSchema),
  /** of one that was noted: its number, the day, and why it was skipped */
  record: z.object({ id: idSchema, doneOn: dateSchema, reason: z.string().nullable() }).nullable(),
});
export type PlannedDose = z.infer<typeof plannedDoseSchema>;

const creditSchema = z.object({
  kind: z.enum(["soil", "organic", "water", "fixation", "residues"]),
  from: z.string(),
  ...amountsSchema.shape,
  /** why it is counted at its low end, or marked; null for one that is sure */
  doubt: z.string().nullable(),
});

/** A planting's need, its calendar of doses, and its books. */
export const dosePlanSchema = z
  .object({
    zoneId: idSchema,
    date: dateSchema,
    /** why there is no calendar; null where there is one */
    missing: z.enum(["not-planted", "no-aim"]).nullable(),
    planting: z
      .object({
        key: z.string(),
        cropName: z.string(),
        plantedOn: dateSchema,
        areaM2: z.number(),
        plants: z.number(),
        stages: z.array(z.object({ id: z.string(), name: z.string(), from: dateSchema })),
      })
      .nullable(),
    /** null while nobody kept one: the usual one stands in for it */
    version: versionSchema.nullable(),
    programme: programmeSchema,
    need: z
      .object({
        yieldTHa: z.number(),
        /** of the planting's own aim, or of the programme */
        aim: z.enum(["planting", "programme"]),
        removalKgT: amountsSchema,
        removalSource: z.string(),
        uptakeKgHa: amountsSchema,
        credits: z.array(creditSchema),
        toGiveKgHa: amountsSchema,
        warnings: z.array(z.string()),
        working: z.array(workingStepSchema),
      })
      .nullable(),
    /** why the programme cannot be followed as it stands; what was noted of it is there all the same */
    fault: z.string().nullable(),
    doses: z.array(plannedDoseSchema),
    unmet: z.array(z.object({ nutrient: z.enum(["N", "P", "K"]), kgHa: z.number(), reason: z.string() })),
    warnings: z.array(z.string()),
    /** the same aims by each school */
    schools: z.array(
      z.object({
        school: z.enum(SCHOOLS),
        /** null, as all sums, where it cannot be followed; the note says why */
        totalKgHa: amountsSchema.nullable(),
        operations: z.number().nullable(),
        /** null where a product has no price, too */
        costM2: z.number().nullable(),
        largestNKgHa: z.number().nullable(),
        note: z.string().nullable(),
      }),
    ),
    /** need, and what was given or is still planned, by the evening of some dates: from planting to the end */
    path: z.array(z.object({ on: dateSchema, need: amountsSchema, planned: amountsSchema })),
    ledger: z
      .object({
        given: amountsSchema,
        fed: amountsSchema,
        /** null where nobody knows what the water brings */
        water: amountsSchema.nullable(),
        credited: amountsSchema,
        removed: amountsSchema.nullable(),
        left: amountsSchema.nullable(),
      })
      .nullable(),
  })
  .meta({ id: "DosePlan" });
export type DosePlan = z.infer<typeof dosePlanSchema>;

export const savedProgrammeSchema = z
  .object({ programme: programmeSchema, version: versionSchema.nullable() })
  .meta({ id: "SavedProgramme" });

/** A dose that was given, with what it really was; or that was not, and why. */
export const newDoseRecordSchema = z
  .strictObject({
    key: z.uuid({ error: () => "The key is no UUID." }),
    plannedOn: dateSchema,
    basal: z.boolean(),
    doneOn: dateSchema,
    state: z.enum(["given", "skipped"], { error: () => "A dose was given, or skipped." }),
    products: listSchema(
      "Products",
      z.strictObject({ productId: labelSchema("A product"), kg: quantitySchema("The amount", 0, 1_000_000, "kg") }),
      30,
    ),
    reason: textSchema("The reason", 200).nullable(),
  })
  .refine(({ state, reason }) => state === "given" || reason !== null, {
    path: ["reason"],
    error: () => "Say why the dose was skipped.",
  })
  .meta({ id: "NewDoseRecord" });
export type NewDoseRecord = z.infer<typeof newDoseRecordSchema>;

/** What is to be given in all zones in the week from a date on, and what was left undone before it. */
export const weekOfDosesSchema = z
  .object({
    date: dateSchema,
    zones: z.array(
      z.object({
        ...{ zoneId: idSchema, zoneName: z.string(), cropName: z.string() },
        /** why its programme cannot be followed as it stands */
        fault: z.string().nullable(),
        doses: z.array(plannedDoseSchema),
      }),
    ),
  })
  .meta({ id: "WeekOfDoses" });
export type WeekOfDoses = z.infer<typeof weekOfDosesSchema>;
