import { z } from "zod";
import { dateSchema, idSchema, quantitySchema, textSchema } from "../basics/basics.ts";
import { ionSchema } from "../basics/ions.ts";
import { reportNotes } from "../basics/report-notes.ts";

/** Water as a laboratory found it, in the units of recipes. The newest of a source is the one in force. */
export const newWaterReportSchema = z
  .strictObject({
    sourceName: textSchema("The water's name", 60),
    takenOn: dateSchema,
    ions: z.partialRecord(ionSchema, quantitySchema("An ion of the water", 0, 200, "mmol/L")),
    ph: quantitySchema("The water's pH", 4, 10.5, ""),
    ecMsCm: quantitySchema("The water's EC", 0, 20, "mS/cm").nullable(),
    /** silt and algae, as they plug lines; left out where they were not measured */
    suspendedSolidsMgL: quantitySchema("Suspended solids", 0, 20_000, "mg/L").nullable().optional(),
    ...reportNotes,
  })
  .meta({ id: "NewWaterReport" });
export type NewWaterReport = z.infer<typeof newWaterReportSchema>;
export const waterReportSchema = newWaterReportSchema.extend({ id: idSchema });
export type WaterReport = z.infer<typeof waterReportSchema>;
export const waterReportsSchema = z.object({ reports: z.array(waterReportSchema) }).meta({ id: "WaterReports" });
