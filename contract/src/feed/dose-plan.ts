import { SCHOOLS, SOIL_CLASSES } from "@sprunel/core/feed/doses";
import { z } from "zod";
import {
  dateSchema,
  idSchema,
  labelSchema,
  listSchema,
  quantitySchema,
  textSchema,
  versionSchema,
  workingStepSchema,
} from "../basics/basics.ts";
import { leafTakenSchema } from "./leaf-taken.ts";
import { programmeSchema } from "./dose-programme.ts";

const amountsSchema = z.object({ N: z.number(), P: z.number(), K: z.number() });
const productAmountSchema = z.object({
  productId: z.string(),
  name: z.string(),
  kg: z.number(),
  gPlant: z.number(),
  /** of a liquid whose density is known */
  mL: z.number().nullable(),
});

/** How a dose goes into the water; what is not known is null. */
const injectionSchema = z.object({
  fillMin: z.number().nullable(),
  injectMin: z.number(),
  flushMin: z.number().nullable(),
  runL: z.number(),
  stockL: z.number().nullable(),
  stockMlMin: z.number().nullable(),
  gMin: z.number(),
  ecMsCm: z.number().nullable(),
  /** shortest injection that keeps under the limit */
  leastMin: z.number().nullable(),
  warnings: z.array(z.string()),
});
export type DoseInjection = z.infer<typeof injectionSchema>;

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
  /** of one that follows the water: the litres of feed that it is mixed into */
  mixedIntoL: z.number().nullable(),
  /** of a basal dose that is laid in strips: how salty they get, against the crop */
  band: z
    .object({
      gMetre: z.number(),
      ecExtractMsCm: z.number(),
      thresholdMsCm: z.number(),
      verdict: z.enum(["fits", "slows", "burns"]),
    })
    .nullable(),
  /** null where it is spread by hand, or was noted already */
  injection: injectionSchema.nullable(),
  /** of one that was noted: its number, the day, and why it was skipped */
  record: z.object({ id: idSchema, doneOn: dateSchema, reason: z.string().nullable() }).nullable(),
});
export type PlannedDose = z.infer<typeof plannedDoseSchema>;

const creditSchema = z.object({
  kind: z.enum(["soil", "organic", "water", "digestate", "coated", "fixation", "residues"]),
  from: z.string(),
  ...amountsSchema.shape,
  /** why it is counted at its low end, or marked; null for one that is sure */
  doubt: z.string().nullable(),
});

/** What came to a planting, what was taken off it, and what is left. */
const ledgerSchema = z.object({
  given: amountsSchema,
  fed: amountsSchema,
  digestate: amountsSchema,
  /** null where nobody knows what the water brings */
  water: amountsSchema.nullable(),
  credited: amountsSchema,
  removed: amountsSchema.nullable(),
  /** taken off as leaf */
  leaf: amountsSchema,
  /** null of what nobody follows */
  drained: z.object({ N: z.number().nullable(), P: z.number().nullable(), K: z.number().nullable() }),
  left: amountsSchema.nullable(),
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
        /** one and many of what it is sold by; null where it is sold by mass */
        piece: z.object({ one: z.string(), many: z.string() }).nullable(),
        plantedOn: dateSchema,
        areaM2: z.number(),
        plants: z.number(),
        /** what it got in a day and the light on it, over the last week; null where nobody knows */
        lastWeek: z.object({ waterLM2: z.number().nullable(), lightMolM2: z.number().nullable() }),
        /** L of feed that a tank of concentrate makes; null where nobody set the zone's tanks */
        tankFeedL: z.number().nullable(),
        /** as the zone is laid out; null where nobody described it */
        beds: z.number().nullable(),
        rowM: z.number().nullable(),
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
        /** what the soil asks for of what it stores, and how that is known; null: nothing is, and as much as is removed is given */
        soil: z.array(
          z.object({ nutrient: z.enum(["P", "K"]), is: z.enum(SOIL_CLASSES), from: z.string().nullable() }),
        ),
        toGiveKgHa: amountsSchema,
        warnings: z.array(z.string()),
        working: z.array(workingStepSchema),
      })
      .nullable(),
    /** why the programme cannot be followed as it stands; what was noted of it is there all the same */
    fault: z.string().nullable(),
    doses: z.array(plannedDoseSchema),
    /** digestate and reclaimed water that it got, with the fresh water that flushed the lines after it */
    digestates: z.array(
      z.object({
        on: dateSchema,
        name: z.string(),
        litres: z.number(),
        flushL: z.number(),
        nutrientsKgHa: amountsSchema,
      }),
    ),
    /** what it may still get of each such water before more N or P came with them than the crop takes up */
    digestateCaps: z.array(z.object({ name: z.string(), m3: z.number(), boundBy: z.enum(["N", "P"]) })),
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
        /** of what is picked; null where it is not known what that will be */
        costKg: z.number().nullable(),
        largestNKgHa: z.number().nullable(),
        /** the most nitrogen that lies in the ground at once, beyond what is taken up by then */
        aheadNKgHa: z.number().nullable(),
        /** given beyond what is to be given, by the end */
        leftKgHa: amountsSchema.nullable(),
        /** the strongest that comes out of the dripper; null where nothing is injected or the water is not known */
        ecMsCm: z.number().nullable(),
        /** of a person's work, all doses together */
        workMin: z.number().nullable(),
        /** what it has brought by the evening of each date of the plan's path */
        path: z.array(amountsSchema).nullable(),
        note: z.string().nullable(),
      }),
    ),
    /** nitrogen in the water of the root zone, as it is followed hour by hour; null where nobody keeps books of it */
    nitrogen: z
      .object({
        standingKgHa: z.number(),
        /** since planting */
        takenKgHa: z.number(),
        lostKgHa: z.number(),
        /** over the seven days that end with the date */
        lostWeekKgHa: z.number(),
        /** it counts a feed that nobody noted as mixed */
        assumed: z.boolean(),
      })
      .nullable(),
    /** need, and what was given or is still planned, by the evening of some dates: from planting to the end */
    path: z.array(z.object({ on: dateSchema, need: amountsSchema, planned: amountsSchema })),
    ledger: ledgerSchema.nullable(),
    /** leaf that was carried away since planting, in order of time */
    leaf: z.array(leafTakenSchema),
    /** of what stood here before, as it was cleared; the newest first */
    past: z.array(z.object({ cropName: z.string(), from: dateSchema, to: dateSchema, ledger: ledgerSchema })),
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
