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
  timeZone: z.string(),
  dateOrder: z.enum(["ymd", "dmy", "mdy"]),
  dateOrderAssumed: z.boolean(),
};
