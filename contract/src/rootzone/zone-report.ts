import { z } from "zod";
import { dateSchema, idSchema, quantitySchema, textSchema } from "../basics/basics.ts";
import { ionSchema } from "../basics/ions.ts";
import { reportNotes } from "../basics/report-notes.ts";

const amount = (name: string, most: number, unit: string) => quantitySchema(name, 0, most, unit).nullable();

/** A laboratory's test of the soil of one depth. What was not measured is null. */
const soilReportSchema = z.strictObject({
  kind: z.literal("soil"),
  takenOn: dateSchema,
  depthCm: z
    .tuple([quantitySchema("The upper end", 0, 300, "cm"), quantitySchema("The lower end", 1, 300, "cm")])
    .refine(([from, to]) => from < to, { error: () => "The lower end of the depth must lie below the upper one." })
    .nullable(),
  texture: textSchema("The texture", 60).nullable(),
  ph: quantitySchema("The soil's pH", 3, 10, "").nullable(),
  ecSaturatedMsCm: amount("EC of the saturated extract", 20, "mS/cm"),
  organicMatterPct: amount("Organic matter", 100, "%"),
  pMgKg: amount("Phosphorus", 5000, "mg/kg"),
  kMgKg: amount("Potassium", 20_000, "mg/kg"),
  mgMgKg: amount("Magnesium", 20_000, "mg/kg"),
  mineralNKgHa: amount("Mineral nitrogen", 2000, "kg/ha"),
  // Left out where nobody asked for them: what was kept before they were known stays the same report.
  caMgKg: amount("Calcium", 60_000, "mg/kg").optional(),
  naMgKg: amount("Sodium", 20_000, "mg/kg").optional(),
  nitrateNMgKg: amount("Nitrate nitrogen", 2000, "mg/kg").optional(),
  cecCmolKg: amount("The cation exchange capacity", 200, "cmol(+)/kg").optional(),
  phIn: z
    .enum(["water", "CaCl2", "KCl"])
    .optional()
    .describe("in what the pH was measured; left out where it was not said"),
  ...reportNotes,
});

/** The solution at the roots: what drained, or what was pressed out of the substrate. */
const solutionReportSchema = z.strictObject({
  kind: z.enum(["drain", "extract"]),
  takenOn: dateSchema,
  ions: z.partialRecord(ionSchema, quantitySchema("An ion", 0, 2000, "mmol/L (µmol/L for trace elements)")),
  ph: quantitySchema("The pH", 3, 10, "").nullable(),
  ecMsCm: quantitySchema("The EC", 0, 20, "mS/cm").nullable(),
  ...reportNotes,
});

export const newZoneReportSchema = z
  .discriminatedUnion("kind", [soilReportSchema, solutionReportSchema])
  .refine(hasFigure, { error: () => "Type at least one figure of the report." })
  .meta({ id: "NewZoneReport" });
export type NewZoneReport = z.infer<typeof newZoneReportSchema>;
export type SoilReport = z.infer<typeof soilReportSchema>;
export type SolutionReport = z.infer<typeof solutionReportSchema>;

function hasFigure(report: SoilReport | SolutionReport): boolean {
  if (report.kind !== "soil")
    return Object.keys(report.ions).length > 0 || report.ph !== null || report.ecMsCm !== null;
  const { kind: _kind, takenOn: _takenOn, depthCm: _depth, texture: _texture, phIn: _in, ...told } = report;
  const { limits: _limits, methods: _methods, ...figures } = told;
  return Object.values(figures).some((value) => typeof value === "number");
}

const identity = {
  id: idSchema,
  /** why it was struck out; null while it counts */
  struck: z.string().nullable(),
};
export const zoneReportSchema = z.discriminatedUnion("kind", [
  soilReportSchema.extend(identity),
  solutionReportSchema.extend(identity),
]);
export type ZoneReport = z.infer<typeof zoneReportSchema>;
/** Newest first. */
export const zoneReportsSchema = z
  .object({ zoneId: idSchema, reports: z.array(zoneReportSchema) })
  .meta({ id: "ZoneReports" });
export const reportStrikeSchema = z
  .strictObject({ reason: textSchema("The reason", 200) })
  .meta({ id: "ReportStrike" });
