import { STAND_STEPS } from "@sprunel/core/crop";
import { z } from "zod";
import { dateSchema, labelSchema, listSchema, versionSchema } from "../basics/basics.ts";
import { nightProgrammeSchema, partSchema, raisingSchema, standSchema, standStepSchema } from "../site/planting.ts";

/** By which a planting is known in its zone; left out: the one that leads it. */
export const plantingKeySchema = labelSchema("The planting").optional();

/** A stage was seen to begin: it wins over the count of days, and what follows shifts. */
export const newSignSchema = z
  .strictObject({
    stageId: labelSchema("The stage"),
    on: dateSchema,
    planting: plantingKeySchema,
    version: versionSchema,
  })
  .meta({ id: "NewSign" });
export type NewSign = z.infer<typeof newSignSchema>;

export const signParamsSchema = z.object({ stageId: labelSchema("The stage") });

/** The nights of the planting that stands now: cloth and lamps, in place of those before. */
export const newNightsSchema = z
  .strictObject({
    nights: listSchema("Night programmes", nightProgrammeSchema, 20),
    planting: plantingKeySchema,
    version: versionSchema,
  })
  .meta({ id: "NewNights" });
/** A night on which its programme was not kept. */
export const missedNightSchema = z
  .strictObject({ on: dateSchema, planting: plantingKeySchema, version: versionSchema })
  .meta({ id: "MissedNight" });
export const missedNightParamsSchema = z.object({ on: dateSchema });

/** The figure of a stage that was counted here, in place of the library's. */
export const stageFitSchema = z
  .strictObject({ stageId: labelSchema("The stage"), planting: plantingKeySchema, version: versionSchema })
  .meta({ id: "StageFit" });

/** How the planting stands: rows, plants, age, and what it is watered for. */
export const newStandSchema = z
  .strictObject({ ...standSchema.shape, planting: plantingKeySchema, version: versionSchema })
  .meta({ id: "NewStand" });
export type NewStand = z.infer<typeof newStandSchema>;

/** Something that is done to the stand on a date. */
export const newStandStepSchema = z
  .strictObject({ step: standStepSchema, planting: plantingKeySchema, version: versionSchema })
  .meta({ id: "NewStandStep" });
export type NewStandStep = z.infer<typeof newStandStepSchema>;
export const standStepParamsSchema = z.object({ kind: z.enum(STAND_STEPS), on: dateSchema });

/** The next crop of a zone, planned while another stands; in free rows also one beside it. */
export const nextPlantingSchema = z
  .strictObject({
    cropId: labelSchema("The crop"),
    /** null where it is counted back from when it is to be ready */
    plantedOn: dateSchema.nullable(),
    /** first picked, or sold; null where the planting date is given */
    readyOn: dateSchema.nullable().default(null),
    part: partSchema.nullable().default(null),
    plants: standSchema.shape.plants,
    raising: raisingSchema.nullable(),
    version: versionSchema,
  })
  .refine(({ plantedOn, readyOn }) => (plantedOn === null) !== (readyOn === null), {
    path: ["plantedOn"],
    error: () => "Give the date of planting, or the one on which it is to be ready; one of them.",
  })
  .meta({ id: "NextPlanting" });
export type NextPlanting = z.infer<typeof nextPlantingSchema>;
