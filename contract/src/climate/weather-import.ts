import { z } from "zod";
import { chosenFile, dialect, judgedLines, sheetChoices, sheetTold } from "../basics/table-file.ts";
import { instantSchema, quantitySchema } from "../basics/basics.ts";
import { timeZoneSchema } from "../site/site.ts";

export const weatherKindSchema = z.enum(["airTemperature", "humidity", "wind", "radiation", "rain"]);

/** How a file is to be read. What is left out is guessed, and the guess comes back in the preview. */
export const weatherChoicesSchema = z.strictObject({
  ...sheetChoices,
  timeZone: timeZoneSchema.optional().describe("zone of the file's clock; the site's when left out"),
  stampMarks: z
    .enum(["start", "end"])
    .optional()
    .describe("whether a time is that of the start or the end of its hour"),
  windHeightM: quantitySchema("The height of the wind sensor", 0.5, 200, "m")
    .optional()
    .describe("above ground; 10 m when left out"),
});
export type WeatherChoices = z.infer<typeof weatherChoicesSchema>;

export const weatherFileSchema = z
  .strictObject({
    ...chosenFile,
    choices: weatherChoicesSchema,
  })
  .meta({ id: "WeatherFile" });
export type WeatherFile = z.infer<typeof weatherFileSchema>;

const rangeSchema = z.object({ fromUtc: instantSchema, toUtc: instantSchema, hours: z.number() });
const valuesSchema = z.record(weatherKindSchema, z.number().nullable());

export const weatherPreviewSchema = z
  .object({
    fileName: z.string(),
    dialect: z.object({
      ...dialect,
      stampMarks: z.enum(["start", "end"]),
      stampMarksAssumed: z.boolean(),
      windHeightM: z.number(),
      windHeightAssumed: z.boolean().describe("nobody has said it yet"),
    }),
    ...sheetTold,
    warnings: z.array(z.string()).describe("what speaks against reading the file in this way"),
    ...judgedLines,
    flagged: z.array(
      z.object({
        line: z.number(),
        flags: z.array(z.object({ code: z.string(), kind: weatherKindSchema, raw: z.string() })),
      }),
    ),
    hours: z.object({
      firstUtc: instantSchema.nullable(),
      lastUtc: instantSchema.nullable(),
      expected: z.number(),
      stored: z.number(),
      missing: z.number(),
    }),
    gaps: z.array(rangeSchema),
    totals: z.object({
      rainMm: z.number(),
      radiationMjM2: z.number(),
      meanAirTemperatureC: z.number().nullable(),
      meanWindMs: z.number().nullable(),
    }),
    clockChangeUtc: instantSchema.nullable(),
    sample: z
      .array(z.object({ line: z.number(), stampUtc: instantSchema, hourStartUtc: instantSchema, values: valuesSchema }))
      .describe("the first rows after conversion"),
    stored: z.object({
      newValues: z.number(),
      alreadyThere: z.number(),
      conflicts: z
        .number()
        .describe("values stored earlier with another number; the first stays, the new one is kept beside it"),
    }),
  })
  .meta({ id: "WeatherPreview" });
export type WeatherPreview = z.infer<typeof weatherPreviewSchema>;

export const weatherImportAnswerSchema = weatherPreviewSchema
  .pick({
    fileName: true,
    counts: true,
    hours: true,
    stored: true,
  })
  .meta({ id: "WeatherImportAnswer" });
export type WeatherImportAnswer = z.infer<typeof weatherImportAnswerSchema>;
