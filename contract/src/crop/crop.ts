import { z } from "zod";
import { dateSchema, idSchema, labelSchema, versionSchema } from "../basics/basics.ts";

/** A stage of a planting with its dates: seen to begin, or when what drives the one before has been enough. */
const stageTimeSchema = z.object({
  id: z.string(),
  name: z.string(),
  from: dateSchema,
  /** first day of what follows */
  to: dateSchema,
  seen: z.boolean(),
  picking: z.boolean(),
  /** what drives it to its end: counted by the evening of the date that is looked at, of so much */
  done: z.number(),
  of: z.number(),
  unit: z.string(),
  /** earliest and latest it may begin, by air two degrees warmer or colder from today on; null where it has begun */
  early: dateSchema.nullable(),
  late: dateSchema.nullable(),
});
export type StageTime = z.infer<typeof stageTimeSchema>;

const plantingTimeSchema = z.object({
  zoneId: idSchema,
  zoneName: z.string(),
  cropId: z.string(),
  cropName: z.string(),
  plantedOn: dateSchema,
  clearedOn: dateSchema.nullable(),
  stages: z.array(stageTimeSchema),
});
export type PlantingTime = z.infer<typeof plantingTimeSchema>;

/** Every planting that stands, has stood within a year, or is to come. */
export const cropStationSchema = z
  .object({ date: dateSchema, plantings: z.array(plantingTimeSchema) })
  .meta({ id: "CropStation" });
export type CropStation = z.infer<typeof cropStationSchema>;

const sourceSchema = z.object({ source: z.string(), assumed: z.boolean() });

/** One zone's crop on a date: its stages, and what the one of the date asks for. */
export const zoneCropSchema = z
  .object({
    zoneId: idSchema,
    /** of the zone's record, in which plantings and signs stand */
    version: versionSchema,
    date: dateSchema,
    /** of the planting of the date; null where nothing is planted */
    planting: plantingTimeSchema.nullable(),
    /** of the stage of the date; null before planting and after the last stage */
    now: z
      .object({
        stageId: z.string(),
        /** 1 on the first day */
        day: z.number(),
        days: z.number(),
        kc: z.number(),
        leafAreaIndex: z.number(),
        rootDepthM: z.number(),
        /** null where nothing is to run out below */
        drainTargetPct: z.number().nullable(),
        drierPct: z.number(),
        feed: z.object({ name: z.string(), ecMsCm: z.number(), ph: z.number() }).extend(sourceSchema.shape).nullable(),
        sources: z.object({
          stages: sourceSchema,
          kc: sourceSchema,
          leafArea: sourceSchema,
          rootDepth: sourceSchema,
          drainTarget: sourceSchema,
        }),
      })
      .nullable(),
  })
  .meta({ id: "ZoneCrop" });
export type ZoneCrop = z.infer<typeof zoneCropSchema>;

/** A stage was seen to begin: it wins over the count of days, and what follows shifts. */
export const newSignSchema = z
  .strictObject({ stageId: labelSchema("The stage"), on: dateSchema, version: versionSchema })
  .meta({ id: "NewSign" });
export type NewSign = z.infer<typeof newSignSchema>;

export const signParamsSchema = z.object({ stageId: labelSchema("The stage") });
