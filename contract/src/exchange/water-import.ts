import { z } from "zod";
import { chosenFile, judgedLines, sheetChoices, sheetTold } from "../basics/table-file.ts";
import { dateSchema, textSchema } from "../basics/basics.ts";
import { ionSchema, ionsSchema } from "../basics/ions.ts";

export const waterFileSchema = z
  .strictObject({
    ...chosenFile,
    /** waters by the names of their sources, or what drained from or stands in zones by theirs */
    of: z.enum(["source", "drain", "extract"]).default("source"),
    ...sheetChoices,
    takenOn: dateSchema.optional().describe("of samples of which the file does not say when they were taken"),
    sourceName: textSchema("The name of the water", 60).optional().describe("of samples that the file does not name"),
    samples: z
      .array(
        z.strictObject({
          at: z.number().int().min(1).describe("which of the file's samples, from 1"),
          is: textSchema("The name of the water or zone", 60)
            .optional()
            .describe("of what it is, where its own name is another"),
          leftOut: z.boolean().optional(),
        }),
      )
      .max(1000)
      .optional(),
    /** first lines of samples whose offered correction is agreed to */
    acceptOffers: z.array(z.number().int()).max(1000).optional(),
    /** first lines of refused samples that are to be stored all the same */
    insist: z.array(z.number().int()).max(1000).optional(),
  })
  .meta({ id: "WaterFile" });
export type WaterFile = z.input<typeof waterFileSchema>;

const checkSchema = z.object({
  cationsMeqL: z.number(),
  anionsMeqL: z.number(),
  errorPct: z.number(),
  verdict: z.enum(["good", "doubtful", "refused"]),
  ecFromIonsMsCm: z.number(),
  ecWithin10Pct: z.boolean().nullable(),
  slip: z.object({ ion: ionSchema, factor: z.number(), readMmolL: z.number(), offerMmolL: z.number() }).nullable(),
});
const analyteSchema = z.enum([...ionSchema.options, "ph", "ec", "hardness"]);

const waterSampleSchema = z.object({
  source: z.string(),
  /** the zone that the sample's name means; null for waters, and for a name that no zone has */
  zone: z.string().nullable(),
  takenOn: dateSchema.nullable().describe("null where the file does not say, and nobody has"),
  lines: z.tuple([z.number(), z.number()]),
  ph: z.number().nullable(),
  ecMsCm: z.number().nullable(),
  ions: ionsSchema,
  belowDetection: z
    .array(
      z.object({ analyte: analyteSchema, text: z.string(), limit: z.number().nullable(), unit: z.string().nullable() }),
    )
    .describe("kept as below their limit; in sums half of it counts. The limit is null where the file names none"),
  notTested: z.array(analyteSchema),
  setAside: z
    .array(
      z.object({
        analyte: analyteSchema,
        text: z.string(),
        why: z.enum(["unreadable", "range", "struck", "several", "above", "unit-unknown"]),
      }),
    )
    .describe("what stands there and is no single figure in a unit that is understood"),
  methods: z.partialRecord(analyteSchema, z.string()).describe("by what each was found, where the file says so"),
  hardnessMmolL: z.number().nullable(),
  check: checkSchema.nullable(),
  /** what an import does with it as asked now */
  fate: z.enum(["stored", "already-there", "refused", "left-out"]),
});
export type WaterSample = z.infer<typeof waterSampleSchema>;

export const waterPreviewSchema = z
  .object({
    fileName: z.string(),
    ...judgedLines,
    ...sheetTold,
    lies: z.enum(["down", "across", "long"]).describe("across: each row of the file is a column of the table"),
    dateOrder: z.enum(["ymd", "dmy", "mdy"]),
    dateOrderAssumed: z.boolean(),
    decimal: z.enum([".", ","]),
    decimalAssumed: z.boolean(),
    samples: z.array(waterSampleSchema),
  })
  .meta({ id: "WaterPreview" });
export type WaterPreview = z.infer<typeof waterPreviewSchema>;
