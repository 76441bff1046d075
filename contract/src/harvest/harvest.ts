import { z } from "zod";
import { countSchema, dateSchema, idSchema, listSchema, quantitySchema, textSchema } from "../basics/basics.ts";
import { soldAsSchema } from "../basics/sold-as.ts";
import { explanationSchema } from "../basics/explanation.ts";

/** What came off in one pick, as weighed. What was not noted is null. */
export const notedPickSchema = z.strictObject({
  /** made by the page, so that a second sending of one pick is not a second pick */
  key: z.uuid(),
  pickedOn: dateSchema,
  /** time of day at the site; null where nobody noted it */
  clock: z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/, {
      error: (issue) => `The time of the pick is written as 08:15, not ${String(issue.input)}.`,
    })
    .nullable()
    .default(null),
  /** null for what is sold by the piece and was not weighed */
  massKg: quantitySchema("The mass picked", 0.01, 100_000, "kg").nullable(),
  count: countSchema("The count of pieces", 1, 10_000_000).nullable(),
  grade: textSchema("The grade", 40).nullable(),
  brixPct: quantitySchema("Brix", 0, 35, "%").nullable(),
});

function isNoted({ massKg, count }: { readonly massKg: number | null; readonly count: number | null }): boolean {
  return massKg !== null || count !== null;
}
const NOTHING_NOTED = {
  path: ["massKg"],
  error: () => "Neither a mass nor a count was noted; a pick needs one of them.",
};

export const newPickSchema = notedPickSchema.refine(isNoted, NOTHING_NOTED).meta({ id: "NewPick" });
export type NewPick = z.infer<typeof newPickSchema>;

export const pickSchema = notedPickSchema.omit({ key: true }).extend({
  id: idSchema,
  /** why it was struck out; null while it counts */
  struck: z.string().nullable(),
});
export type Pick = z.infer<typeof pickSchema>;
export const pickStrikeSchema = z.strictObject({ reason: textSchema("The reason", 200) }).meta({ id: "PickStrike" });

/** What came off several zones, written all or none. */
export const newPicksSchema = z
  .strictObject({
    picks: listSchema("Picks", notedPickSchema.extend({ zoneId: idSchema }).refine(isNoted, NOTHING_NOTED), 500).min(
      1,
      {
        error: () => "Type at least one pick.",
      },
    ),
  })
  .meta({ id: "NewPicks" });
export type NewPicks = z.infer<typeof newPicksSchema>;

/** One zone in the grid of a day's picks. */
const pickedZoneSchema = z.object({
  zoneId: idSchema,
  name: z.string(),
  /** null where nothing stands */
  crop: z.string().nullable(),
  soldAs: soldAsSchema,
  areaM2: z.number(),
  /** whether its stage is one in which something comes off */
  picking: z.boolean(),
  pickedPerM2: z.number(),
  pathPerM2: z.number().nullable(),
  targetPerM2: z.number().nullable(),
  /** of the date, those that count */
  picks: z.array(pickSchema),
  /** picks of the planting before the date, newest first: what is usual here */
  past: z.array(pickSchema),
});
export type PickedZone = z.infer<typeof pickedZoneSchema>;
export const dayPicksSchema = z.object({ date: dateSchema, zones: z.array(pickedZoneSchema) }).meta({ id: "DayPicks" });
export type DayPicks = z.infer<typeof dayPicksSchema>;

/** One planting's picks against the yield aimed at. */
export const zoneHarvestSchema = z
  .object({
    zoneId: idSchema,
    date: dateSchema,
    crop: z.string().nullable(),
    soldAs: soldAsSchema,
    areaM2: z.number(),
    targetPerM2: z.number().nullable(),
    pickedPerM2: z.number(),
    /** null without a target, or for a crop without picking stages */
    pathPerM2: z.number().nullable(),
    litresPerUnit: z.number().nullable(),
    /** corners of the target's path, as the crop is sold, per m² */
    path: z.array(z.object({ date: dateSchema, perM2: z.number() })),
    /** of the planting that stands on the date, newest first */
    picks: z.array(pickSchema),
    workings: z.object({ picked: explanationSchema, path: explanationSchema.nullable() }),
  })
  .meta({ id: "ZoneHarvest" });
export type ZoneHarvest = z.infer<typeof zoneHarvestSchema>;
