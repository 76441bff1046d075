import { z } from "zod";
import { textSchema } from "./basics.ts";

/** A file as a person chose it. */
export const chosenFile = {
  fileName: textSchema("The file's name", 200),
  contentBase64: z
    .base64()
    .min(1, { error: () => "The file is empty." })
    .describe("the file's bytes as they are"),
};

/** A column as somebody set it; those that nobody set are guessed anew each time. */
const chosenColumnSchema = z.strictObject({
  column: z.number().int().min(1),
  kind: z.string().max(40),
  unit: z.string().max(40),
});

/** What a column of a file is taken for, and why. */
const readColumnSchema = z.object({
  column: z.number(),
  header: z.string(),
  kind: z.string(),
  unit: z.string(),
  unitAssumed: z.boolean().describe("it stands nowhere in the file and is only the usual one"),
  unknownUnit: z
    .string()
    .nullable()
    .describe("a unit that is written and not understood: its values wait until it is chosen"),
  certainty: z.number().describe("0 to 1; 1 where a person said so"),
  because: z.string(),
  method: z.string().describe("by what it was found, as the file names it; empty where it does not"),
  examples: z.array(z.string()).describe("the first cells, as they stand in the file"),
});

/** What a column of a kind of file may mean, and in what units. */
const columnKindsSchema = z.array(z.object({ kind: z.string(), units: z.array(z.string()) }));

/** What a person may settle of any file; what is left out is guessed, and the guess comes back in the preview. */
export const sheetChoices = {
  sheet: z.string().max(100).optional().describe("the sheet of a workbook; its fullest when left out"),
  decimal: z.enum([".", ","]).optional().describe("the file's decimal mark; found when left out"),
  dateOrder: z.enum(["ymd", "dmy", "mdy"]).optional(),
  columns: z.array(chosenColumnSchema).max(200).optional(),
};

/** What is told of any file that was read. */
export const sheetTold = {
  columns: z.array(readColumnSchema),
  kinds: columnKindsSchema,
  lacks: z
    .array(z.array(z.string()))
    .describe("what the table should have and no column is taken for: one of each group is to be set by hand"),
  book: z
    .object({ sheets: z.array(z.string()), sheet: z.string() })
    .nullable()
    .describe("which sheets a workbook has, and which one was read; null for a text"),
  preamble: z.array(z.string()).describe("what stands above the table"),
  rememberedFrom: z
    .string()
    .nullable()
    .describe("who settled how a file with the same heads is read; null where nobody has"),
};

/** What became of a file's lines. */
export const judgedLines = {
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
};

/** How a file is written. */
export const dialect = {
  encoding: z.string(),
  lineEnd: z.string(),
  delimiter: z.string(),
  decimal: z.enum([".", ","]),
  decimalAssumed: z.boolean().describe("numbers as 1,234 could be read either way"),
  timeZone: z.string(),
  dateOrder: z.enum(["ymd", "dmy", "mdy"]),
  dateOrderAssumed: z.boolean(),
};
