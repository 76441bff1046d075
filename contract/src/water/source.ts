import { z } from "zod";
import {
  countSchema,
  dateSchema,
  idSchema,
  quantitySchema,
  textSchema,
  versionSchema,
  workingStepSchema,
} from "../basics/basics.ts";
import { waterReportSchema } from "./report.ts";

const sourceKindSchema = z.enum(["mains", "well", "roof", "surface", "reclaimed", "digestate"], {
  error: () => "The kind of water is one of mains, well, roof, surface, reclaimed, digestate.",
});
export type SourceKind = z.infer<typeof sourceKindSchema>;

/** Where water comes from, what limits it, and what stands in store of it. What is not known is null. */
export const newSourceSchema = z
  .strictObject({
    name: textSchema("The water's name", 60),
    kind: sourceKindSchema,
    maxFlowLh: quantitySchema("The greatest flow", 1, 1_000_000, "L/h").nullable(),
    priceM3: quantitySchema("The price per m³", 0, 1000, "").nullable(),
    licenceM3Year: quantitySchema("The licence for a year", 1, 100_000_000, "m³").nullable(),
    storage: z
      .strictObject({
        capacityM3: quantitySchema("The storage", 0.1, 10_000_000, "m³"),
        levelM3: quantitySchema("What stands in the storage", 0, 10_000_000, "m³"),
        readOn: dateSchema,
        roofM2: quantitySchema("The roof that runs into it", 0, 10_000_000, "m²"),
        runoffPct: quantitySchema("The share of rain that arrives", 0, 100, "%"),
      })
      .refine(({ capacityM3, levelM3 }) => levelM3 <= capacityM3, {
        path: ["levelM3"],
        error: () => "More stands in the storage than it holds; check both.",
      })
      .nullable(),
    /** water that comes on fixed days only */
    turn: z
      .strictObject({
        firstOn: dateSchema,
        everyDays: countSchema("The days from turn to turn", 1, 365),
        m3: quantitySchema("What a turn brings", 0.1, 1_000_000, "m³"),
      })
      .nullable()
      .default(null),
    /** of a digestate or reclaimed water */
    analysis: z
      .strictObject({
        takenOn: dateSchema,
        suspendedSolidsMgL: quantitySchema("Suspended solids", 0, 100_000, "mg/L"),
        nh4NMgL: quantitySchema("Ammonium N", 0, 20_000, "mg/L"),
        organicNMgL: quantitySchema("Organic N", 0, 20_000, "mg/L"),
        pMgL: quantitySchema("Phosphorus", 0, 10_000, "mg/L"),
        kMgL: quantitySchema("Potassium", 0, 20_000, "mg/L"),
        ecMsCm: quantitySchema("The EC", 0, 60, "mS/cm"),
        /** days that local rules ask for between the last dose and the first pick */
        hygieneDays: countSchema("Days before harvest", 0, 730),
      })
      .nullable()
      .default(null),
  })
  .meta({ id: "NewSource" });
export type NewSource = z.infer<typeof newSourceSchema>;
const sourceSchema = newSourceSchema.extend({ id: idSchema, version: versionSchema });
export type Source = z.infer<typeof sourceSchema>;
export const sourceUpdateSchema = newSourceSchema.extend({ version: versionSchema }).meta({ id: "SourceUpdate" });

/** A source with its report in force, its storage ahead and what the zones take. */
const sourceStateSchema = z.object({
  source: sourceSchema,
  /** the newest report up to the date */
  report: waterReportSchema.nullable(),
  /** m³ that zones took in a day, mean of the last week */
  dailyUseM3: z.number(),
  /** m³ that zones will take in a day, mean of the next week, by the weather foreseen */
  aheadUseM3: z.number(),
  yearUseM3: z.number(),
  levelM3: z.number().nullable(),
  daysLeft: z.number().nullable(),
  levels: z.array(z.object({ date: dateSchema, m3: z.number() })),
  /** the next day on which the water comes, and what the zones take until then; null without turns */
  nextTurn: z.object({ date: dateSchema, neededM3: z.number() }).nullable(),
  working: z.array(workingStepSchema),
});
export type SourceState = z.infer<typeof sourceStateSchema>;
export const waterStationSchema = z
  .object({ date: dateSchema, sources: z.array(sourceStateSchema) })
  .meta({ id: "WaterStation" });
export type WaterStation = z.infer<typeof waterStationSchema>;
