import { z } from "zod";
import { dateSchema } from "../basics/basics.ts";
import { chosenFile, dialect, sheetChoices, sheetTold } from "../basics/table-file.ts";

/** A laboratory's file that fills a form: nothing of it is kept but what a person takes over. */
export const analysisFileSchema = z.strictObject({ ...chosenFile, ...sheetChoices }).meta({ id: "AnalysisFile" });
export type AnalysisFile = z.infer<typeof analysisFileSchema>;

const { rememberedFrom: _notKept, ...told } = sheetTold;
const { decimal, decimalAssumed, dateOrder, dateOrderAssumed } = dialect;

export const organicPreviewSchema = z
  .object({
    ...told,
    ...{ decimal, decimalAssumed, dateOrder, dateOrderAssumed },
    takenOn: dateSchema.nullable(),
    analysis: z.partialRecord(
      z.enum(["suspendedSolidsMgL", "nh4NMgL", "organicNMgL", "pMgL", "kMgL", "ecMsCm"]),
      z.number(),
    ),
    missing: z.array(z.string()).describe("figures of an analysis that the file does not tell"),
    remarks: z.array(z.string()).describe("how figures were come by that do not stand in the file as such"),
  })
  .meta({ id: "OrganicPreview" });
export type OrganicPreview = z.infer<typeof organicPreviewSchema>;

const tissueRowSchema = z.enum(["found", "low", "high", "band", "skip"]);

export const tissueFileSchema = z
  .strictObject({
    ...analysisFileSchema.shape,
    rows: z
      .array(z.strictObject({ row: z.number().int().min(1), is: tissueRowSchema }))
      .max(500)
      .optional()
      .describe("rows, of a sheet with a nutrient a row columns, that somebody set by hand"),
  })
  .meta({ id: "TissueFile" });
export type TissueFile = z.infer<typeof tissueFileSchema>;

export const tissuePreviewSchema = z
  .object({
    ...told,
    ...{ decimal, decimalAssumed },
    rows: z.array(
      z.object({ row: z.number(), header: z.string(), is: tissueRowSchema, examples: z.array(z.string()) }),
    ),
    lines: z.array(
      z.object({
        line: z.number(),
        nutrient: z.enum(["N", "P", "K"]),
        label: z.string(),
        found: z.number().nullable(),
        below: z.boolean().describe("found is half of the limit below which the laboratory could not measure"),
        unread: z.string().nullable().describe("what stands there, where it is no single figure"),
        low: z.number().nullable(),
        high: z.number().nullable(),
        unit: z.string().nullable(),
      }),
    ),
  })
  .meta({ id: "TissuePreview" });
export type TissuePreview = z.infer<typeof tissuePreviewSchema>;
