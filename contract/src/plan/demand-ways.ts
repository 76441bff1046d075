import { ZONE_DEMAND_METHODS } from "@sprunel/core/plan";
import { z } from "zod";
import { dateSchema, idSchema, versionSchema } from "../basics/basics.ts";
import { demandChoiceSchema } from "../site/zone.ts";

const methodSchema = z.enum(ZONE_DEMAND_METHODS);

/** Every way to a zone's demand side by side, against what its own plants took up where that was metered. */
export const demandWaysSchema = z
  .object({
    zoneId: idSchema,
    version: versionSchema,
    date: dateSchema,
    usual: methodSchema,
    choice: demandChoiceSchema.nullable(),
    /** days of the last four weeks on which water given and drain were both read */
    meteredDays: z.number(),
    ways: z.array(
      z.object({
        method: methodSchema,
        /** of the date; null where the weather does not tell it, or a figure of its own is missing */
        demandMm: z.number().nullable(),
        /** how far it lies above what was metered, %; null while nothing was */
        biasPct: z.number().nullable(),
        /** root of the mean squared difference of a day */
        errorMm: z.number().nullable(),
        /** by which it fits the metered uptake; null before two weeks are known */
        factor: z.number().nullable(),
      }),
    ),
  })
  .meta({ id: "DemandWays" });
export type DemandWays = z.infer<typeof demandWaysSchema>;

export const newDemandWaySchema = z
  .strictObject({ version: versionSchema, choice: demandChoiceSchema.nullable() })
  .meta({ id: "NewDemandWay" });
