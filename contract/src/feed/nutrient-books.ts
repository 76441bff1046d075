import { NUTRIENT_SOURCES } from "@sprunel/core/feed/books";
import { z } from "zod";
import { dateSchema, idSchema, quantitySchema, versionSchema } from "../basics/basics.ts";
import { partSchema } from "../site/planting.ts";

const dayOfYearSchema = z.string().regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, {
  error: () => "A day of the year is needed here, as 11-01.",
});
const most = (name: string, limit: number) => quantitySchema(name, 1, limit, "kg/ha").nullable();

/** What a place's rules allow on a hectare in a calendar year, as the person typed them; null where they say nothing. */
export const nutrientRulesSchema = z.strictObject({
  totalNKgHa: most("The most nitrogen", 3000),
  organicNKgHa: most("The most organic nitrogen", 3000),
  totalPKgHa: most("The most phosphorus", 1000),
  /** no nitrogen is spread from one day of the year to another */
  closed: z
    .strictObject({
      from: dayOfYearSchema,
      to: dayOfYearSchema,
      of: z.enum(["all", "organic"], { error: () => "The closed time holds for one of all, organic." }),
    })
    .nullable(),
});
export type NutrientRules = z.infer<typeof nutrientRulesSchema>;
export const nutrientRulesUpdateSchema = nutrientRulesSchema
  .extend({ version: versionSchema.nullable() })
  .meta({ id: "NutrientRulesUpdate" });

const amountsSchema = z.object({ N: z.number(), P: z.number(), K: z.number() });
const entrySchema = z.object({
  on: dateSchema,
  source: z.enum([...NUTRIENT_SOURCES, "removed"]),
  what: z.string(),
  kgHa: amountsSchema,
});

const yearSchema = z.object({
  year: z.number(),
  /** what stood there in that year, in order of planting */
  crops: z.array(z.string()),
  bySource: z.record(z.enum(NUTRIENT_SOURCES), amountsSchema),
  total: amountsSchema,
  removed: amountsSchema,
  surplus: amountsSchema,
  breaches: z.array(
    z.object({ rule: z.enum(["total-n", "organic-n", "total-p"]), kgHa: z.number(), mostKgHa: z.number() }),
  ),
  inClosedTime: z.array(entrySchema),
});
export type NutrientYear = z.infer<typeof yearSchema>;

/** N, P and K of every zone by calendar year and source, as elements on a hectare, against the rules. */
export const nutrientBooksSchema = z
  .object({
    rules: nutrientRulesSchema,
    version: versionSchema.nullable(),
    zones: z.array(
      z.object({
        zoneId: idSchema,
        zoneName: z.string(),
        areaM2: z.number(),
        years: z.array(yearSchema),
        /** rows that always had the same crops, on a hectare of their own ground; none where every planting had all of it */
        beds: z.array(z.object({ part: partSchema, areaM2: z.number(), years: z.array(yearSchema) })),
        /** years in which it was watered with a water of which nobody measured nitrate: that part is not in the sums */
        waterUnknown: z.array(z.number()),
        /** years in which it was picked, and what was picked is not told in mass */
        removalUnknown: z.array(z.number()),
      }),
    ),
  })
  .meta({ id: "NutrientBooks" });
export type NutrientBooks = z.infer<typeof nutrientBooksSchema>;
