import { z } from "zod";
import { dateSchema, textSchema } from "../basics.ts";
import { ionSchema, ionsSchema } from "../feed/recipe.ts";

export const waterFileSchema = z.strictObject({
  fileName: textSchema("The file's name", 200),
  contentBase64: z
    .base64()
    .min(1, { error: () => "The file is empty." })
    .describe("the file's bytes as they are"),
  /** first lines of samples whose offered correction is agreed to */
  acceptOffers: z.array(z.number().int()).max(1000).optional(),
  /** first lines of refused samples that are to be stored all the same */
  insist: z.array(z.number().int()).max(1000).optional(),
});
export type WaterFile = z.infer<typeof waterFileSchema>;

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

export const waterSampleSchema = z.object({
  source: z.string(),
  takenOn: dateSchema,
  lines: z.tuple([z.number(), z.number()]),
  ph: z.number().nullable(),
  ecMsCm: z.number().nullable(),
  ions: ionsSchema,
  belowDetection: z.array(z.object({ analyte: analyteSchema, text: z.string() })),
  notTested: z.array(analyteSchema),
  hardnessMmolL: z.number().nullable(),
  check: checkSchema.nullable(),
  /** what an import does with it as asked now */
  fate: z.enum(["stored", "already-there", "refused"]),
});
export type WaterSample = z.infer<typeof waterSampleSchema>;

export const waterPreviewSchema = z.object({
  fileName: z.string(),
  counts: z.object({
    physicalLines: z.number(),
    dataRows: z.number(),
    accepted: z.number(),
    flagged: z.number(),
    rejected: z.number(),
    notData: z.number(),
  }),
  notData: z.array(z.object({ line: z.number(), reason: z.string() })),
  rejected: z.array(z.object({ line: z.number(), reason: z.string(), detail: z.string() })),
  samples: z.array(waterSampleSchema),
});
export type WaterPreview = z.infer<typeof waterPreviewSchema>;
