import { z } from "zod";
import { chosenFile, dialect, judgedLines, sheetChoices, sheetTold } from "../basics/table-file.ts";
import { dateSchema, quantitySchema } from "../basics/basics.ts";
import { timeZoneSchema } from "../site/site.ts";

export const listKindSchema = z.enum(["readings", "soil-tests", "picks", "shelf"]);
export type ListKind = z.infer<typeof listKindSchema>;

/** How a list is to be read. What is left out is guessed, and the guess comes back in the preview. */
const listChoicesSchema = z.strictObject({
  ...sheetChoices,
  timeZone: timeZoneSchema.optional().describe("zone of the file's clock; the site's when left out"),
  hour: z
    .string()
    .regex(/^\d{1,2}:\d{2}$/)
    .optional()
    .describe("of rows that tell no time of day; noon when left out"),
  zone: z.string().max(60).optional().describe("the zone of all rows, where no column names one"),
  zoneNames: z
    .record(z.string().max(120), z.string().max(60))
    .optional()
    .describe("which zone is meant by a name that the file has for one"),
  day: dateSchema.optional().describe("the day of all rows, where the file tells none"),
  drippersOnTray: quantitySchema("Drippers over a tray", 1, 500, "").optional(),
  crateKg: z
    .record(z.string().max(60), quantitySchema("A crate's weight", 0.01, 1000, "kg"))
    .optional()
    .describe("kg net of one crate, by name of the zone"),
  acceptOffers: z
    .array(z.number().int())
    .max(20_000)
    .optional()
    .describe("lines whose offered corrections are agreed to"),
});
export type ListChoices = z.infer<typeof listChoicesSchema>;

export const listFileSchema = z
  .strictObject({
    list: listKindSchema,
    ...chosenFile,
    choices: listChoicesSchema,
  })
  .meta({ id: "ListFile" });
export type ListFile = z.infer<typeof listFileSchema>;

const cellSchema = z.union([z.string(), z.number(), z.null()]);

/** What an import of a list does, or would do, with every line of it. */
export const listPreviewSchema = z
  .object({
    list: listKindSchema,
    fileName: z.string(),
    dialect: z.object({
      ...dialect,
      untimed: z.boolean().describe("nothing in the file tells a time of day"),
    }),
    ...sheetTold,
    ...judgedLines,
    flagged: z.array(
      z.object({
        line: z.number(),
        flags: z.array(
          z.object({
            code: z.string(),
            kind: z.string(),
            raw: z.string(),
            taken: z.string().optional(),
            offer: z.record(z.string(), z.union([z.number(), z.array(z.number())])).optional(),
          }),
        ),
      }),
    ),
    /** the first rows in canonical units, field by field */
    sample: z.array(z.object({ line: z.number(), values: z.record(z.string(), cellSchema) })),
    stored: z.object({
      added: z.number().describe("rows that bring something new"),
      alreadyThere: z.number(),
      refused: z
        .array(z.object({ line: z.number(), message: z.string() }))
        .describe("read, but impossible at this site"),
    }),
  })
  .meta({ id: "ListPreview" });
export type ListPreview = z.infer<typeof listPreviewSchema>;
