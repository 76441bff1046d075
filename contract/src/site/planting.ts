import { RAISING_WAYS, STAND_STEPS } from "@sprunel/core/crop";
import { z } from "zod";
import { countSchema, dateSchema, labelSchema, listSchema, quantitySchema } from "../basics/basics.ts";

const hourSchema = (name: string) =>
  z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: () => `${name} must be a time of day, as 17:30.` });

/** Cloth that is drawn, or lamps that burn, on the nights of a planting. */
export const nightProgrammeSchema = z
  .strictObject({
    kind: z.enum(["cloth", "lamps"], { error: () => "The programme must be one of cloth, lamps." }),
    fromOn: dateSchema,
    /** its last evening; null while it goes on */
    untilOn: dateSchema.nullable(),
    /** clock times; those before noon are of the morning after */
    start: hourSchema("The start"),
    end: hourSchema("The end"),
    wattsM2: quantitySchema("The lamps' power", 0, 500, "W/m²").nullable().default(null),
  })
  .superRefine(({ fromOn, untilOn, start, end }, context) => {
    if (untilOn !== null && untilOn < fromOn)
      context.addIssue({
        code: "custom",
        path: ["untilOn"],
        message: `The last evening, ${untilOn}, must not lie before the first, ${fromOn}.`,
      });
    const ofNight = (clock: string): string => (clock < "12:00" ? `1${clock}` : `0${clock}`);
    if (ofNight(end) <= ofNight(start))
      context.addIssue({
        code: "custom",
        path: ["end"],
        message: `The end must come after the start, ${start}, within one night from noon to noon; it is ${end}.`,
      });
  });

export type NightProgramme = z.infer<typeof nightProgrammeSchema>;

/** How a planting's plants come to be; steps before it are counted back from its date. */
export const raisingSchema = z.strictObject({
  way: z.enum(RAISING_WAYS, { error: () => `Plants come by one of ${RAISING_WAYS.join(", ")}.` }),
  startPct: quantitySchema("What comes up", 5, 100, "%"),
  lossPct: quantitySchema("What is lost on the way", 0, 90, "%"),
  startDays: countSchema("The days until they are up", 0, 120),
  benchDays: countSchema("The days on the bench", 0, 365),
  hardenDays: countSchema("The days of hardening", 0, 60),
  cells: countSchema("The cells of a tray", 1, 1000),
  seedMg: quantitySchema("The weight of a seed", 0.01, 5000, "mg"),
  orderWeeks: countSchema("The weeks from order to delivery", 0, 104),
  stockCuttings: quantitySchema("The cuttings of a stock plant", 0, 500, "").default(0),
  flushWeeks: countSchema("The weeks between flushes", 1, 52).default(3),
  stockWeeks: countSchema("The weeks that a stock plant is cut", 1, 520).default(20),
  coldDays: countSchema("The days in cold store", 0, 120).default(0),
});

/** Rows of a zone that a planting has, of so many. */
export const partSchema = z
  .strictObject({
    from: countSchema("The first row", 1, 10_000),
    to: countSchema("The last row", 1, 10_000),
    of: countSchema("The rows of the zone", 1, 10_000),
  })
  .refine(({ from, to, of }) => from <= to && to <= of, {
    error: ({ input }) => {
      const { from, to, of } = input as { from: number; to: number; of: number };
      return `Rows ${from} to ${to} of ${of} cannot be; give a first and a last row from 1 to ${of}.`;
    },
  });

const stepOn = { on: dateSchema };
const densitySchema = quantitySchema("The plants on a m²", 0.01, 2000, "a m²");
/** What is done to a planting's stand on a date, and holds from then on. */
export const standStepSchema = z.discriminatedUnion(
  "kind",
  [
    z.strictObject({ kind: z.literal("spaced"), ...stepOn, plantsPerM2: densitySchema }),
    z.strictObject({
      kind: z.literal("potted-on"),
      ...stepOn,
      heldLPlant: quantitySchema("The water that a pot holds", 0.01, 100, "L"),
      plantsPerM2: densitySchema.nullable().default(null),
    }),
    z.strictObject({
      kind: z.literal("drippers"),
      ...stepOn,
      fromStemCm: quantitySchema("The drippers' distance from the stem", 0, 100, "cm"),
    }),
    z.strictObject({
      kind: z.literal("cut-back"),
      ...stepOn,
      leafAreaLeft: quantitySchema("The leaf that is left", 0, 5, "m² a m²"),
      regrowthDays: countSchema("The days of regrowth", 0, 365),
    }),
  ],
  { error: () => `What is done to a stand is one of ${STAND_STEPS.join(", ")}.` },
);

/** How a planting stands: its rows, how many, how old, and what a perennial is watered for. */
export const standSchema = z.strictObject({
  /** null: all of the zone */
  part: partSchema.nullable().default(null),
  /** null: as many of the zone's plants as its rows hold */
  plants: countSchema("The plants", 1, 10_000_000).nullable().default(null),
  /** of a perennial's plants when they were planted */
  ageYears: countSchema("The age at planting", 0, 100).default(0),
  /** so many years it is watered to establish */
  establishYears: countSchema("The years to establish", 0, 20).default(2),
  waterAim: z
    .enum(["yield", "keep-alive"], { error: () => "A planting is watered for one of yield, keep-alive." })
    .default("yield"),
});

export const plantingSchema = z.strictObject({
  ...standSchema.shape,
  /** changes of its stand, by date */
  steps: listSchema("Changes of the stand", standStepSchema, 60).default([]),
  cropId: labelSchema("The crop"),
  plantedOn: dateSchema,
  /** first day without the crop; null while it stands */
  clearedOn: dateSchema.nullable(),
  signs: listSchema("Signs", z.strictObject({ stageId: labelSchema("The stage"), on: dateSchema }), 100),
  /** in kg or pieces, as the crop is sold */
  targetPerM2: quantitySchema("The yield aimed at", 0.01, 2000, "per m²").nullable().default(null),
  nights: listSchema("Night programmes", nightProgrammeSchema, 20).default([]),
  /** evenings on which the programme was not kept */
  missedNights: listSchema("Missed nights", dateSchema, 400).default([]),
  raising: raisingSchema.nullable().default(null),
});
export type Planting = z.infer<typeof plantingSchema>;

/** A planting of which no more is known than what stands since when. */
export function freshPlanting(cropId: string, plantedOn: string, more: Partial<Planting> = {}): Planting {
  const nothing = {
    ...{ clearedOn: null, signs: [], targetPerM2: null, nights: [], missedNights: [], raising: null },
    ...standSchema.parse({}),
    steps: [],
  };
  return { cropId, plantedOn, ...nothing, ...more };
}
