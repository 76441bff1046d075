import { z } from "zod";
import { labelSchema, listSchema, textSchema, workingStepSchema } from "../basics/basics.ts";
import { ionSchema, ionsSchema } from "../basics/ions.ts";

// Spans are judged by the core, which knows what the other values make possible.
const number = z.number();

const inlineProductSchema = z.strictObject({
  id: textSchema("The product's id", 80),
  name: textSchema("The product's name", 120),
  form: z.enum(["solid", "liquid"]),
  composition: z
    .partialRecord(z.enum([...ionSchema.options, "H"]), number)
    .describe("mmol per gram as bought; acids carry H"),
  priceKg: number.optional(),
  densityKgL: number.optional(),
  solubilityGL: number.optional(),
});

/** A bare `{ id }` names a product of the library; anything more is a product in full, and is judged as one. */
export const productChoiceSchema = z.unknown().transform((value, context) => {
  const bare = z.strictObject({ id: labelSchema("The product") }).safeParse(value);
  if (bare.success) return bare.data;
  const full = inlineProductSchema.safeParse(value);
  if (full.success) return full.data;
  for (const issue of full.error.issues) context.addIssue({ code: "custom", path: issue.path, message: issue.message });
  return z.NEVER;
});

const tankSchema = z.strictObject({
  id: textSchema("The tank's id", 40),
  volumeL: number,
  dilution: number.describe("litres of feed from one litre of concentrate"),
});

export const recipeRequestSchema = z
  .strictObject({
    limits: ionsSchema.optional(),
    water: z.strictObject({ ions: ionsSchema, ph: number.optional(), temperatureC: number.optional() }),
    target: z.strictObject({ ions: ionsSchema, ph: number.optional() }),
    products: listSchema("Products", productChoiceSchema, 100),
    tanks: listSchema("Tanks", tankSchema, 4).optional(),
    tolerancePct: number.optional(),
  })
  .meta({ id: "RecipeRequest" });

const feedSaturationSchema = z.object({
  solid: z.string(),
  where: z.literal("feed"),
  saturationIndex: number,
  verdict: z.string(),
});
const tankSaturationSchema = z.object({
  product: z.string(),
  where: z.literal("tank"),
  tankId: z.string(),
  solubilitySharePct: number,
  verdict: z.string(),
});

export const recipeAnswerSchema = z
  .object({
    status: z.enum(["met", "closest", "infeasible"]),
    lines: z.array(
      z.object({ productId: z.string(), name: z.string(), gM3: number, tankId: z.string(), kgPerTank: number }),
    ),
    delivered: z.object({ ions: ionsSchema, ecMsCm: number, ph: number }),
    deviations: z.array(
      z.object({ ion: ionSchema, target: number, delivered: number, pct: number, reason: z.string() }),
    ),
    chargeBalance: z.object({ cationsMeqL: number, anionsMeqL: number, errorPct: number }),
    nh4SharePct: number,
    costPerM3: number,
    precipitation: z.array(z.union([feedSaturationSchema, tankSaturationSchema])),
    warnings: z.array(z.string()),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "RecipeAnswer" });

/** The library as it is offered: what a gram brings, and how that is known. */
export const libraryProductSchema = z.object({
  id: z.string(),
  name: z.string(),
  form: z.enum(["solid", "liquid"]),
  formula: z.string(),
  purityPct: number,
  composition: z.record(z.string(), number),
  compositionSource: z.string(),
  densityKgL: number.optional(),
  carbonPerAlkalinity: number.optional(),
  chelate: z.boolean().optional(),
  holdsToPh: number.optional().describe("pH up to which the chelate holds its metal in a feed"),
  solubility: z.array(number).optional().describe("g in a litre of solution at 0, 10, 20, 30 and 40 °C"),
  solubilitySource: z.string().optional(),
  cautions: z.array(z.string()),
});
export const productListSchema = z.object({ products: z.array(libraryProductSchema) }).meta({ id: "ProductList" });
export type LibraryProduct = z.infer<typeof libraryProductSchema>;
