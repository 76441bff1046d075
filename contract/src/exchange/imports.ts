import { z } from "zod";
import { idSchema, instantSchema } from "../basics/basics.ts";
import { listKindSchema } from "./list-import.ts";

export const importKindSchema = z.enum([...listKindSchema.options, "water", "weather"]);
export type ImportKind = z.infer<typeof importKindSchema>;

const importSchema = z.object({
  id: idSchema,
  kind: importKindSchema,
  fileName: z.string(),
  rows: z.number().describe("rows of the file that brought something new"),
  importedAt: instantSchema,
  by: z.string(),
  takenBackAt: instantSchema.nullable(),
});
export type PastImport = z.infer<typeof importSchema>;

export const importsSchema = z
  .object({ imports: z.array(importSchema).describe("the newest first") })
  .meta({ id: "Imports" });
export type Imports = z.infer<typeof importsSchema>;

export const takenBackSchema = z
  .object({
    undone: z.number().describe("rows that went, or are as before the import"),
    stays: z.number().describe("rows that somebody changed or removed since: they stay as they are"),
  })
  .meta({ id: "TakenBack" });
export type TakenBack = z.infer<typeof takenBackSchema>;
