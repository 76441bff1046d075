import { z } from "zod";
import { dateSchema, listSchema, workingStepSchema } from "../basics/basics.ts";
import { productChoiceSchema } from "./recipe.ts";

// Spans are judged by the core, which knows what the other values make possible.
const number = z.number();
const main = { N: number, P: number, K: number };
const mainSchema = z.object(main);
const withSecondary = { ...main, Ca: number.optional(), Mg: number.optional() };

export const doseNeedRequestSchema = z
  .strictObject({
    yieldTHa: number,
    removalKgT: z.strictObject(withSecondary).describe("kg of the element in a tonne of yield"),
    efficiencyPct: z.strictObject(withSecondary),
    credits: z
      .strictObject({
        soilMineralN: listSchema(
          "Layers of soil",
          z.strictObject({
            fromCm: number,
            toCm: number,
            mgKg: number,
            bulkDensityKgL: number,
            rootedPct: number.optional(),
          }),
          20,
        ).optional(),
        organic: listSchema(
          "Organic dressings",
          z.strictObject({
            tHa: number,
            nPct: number,
            pPct: number.optional(),
            kPct: number.optional(),
            nDecayPct: z.array(number).max(50).describe("set free in each year, of what was left the year before"),
            yearsAgo: number,
          }),
          50,
        ).optional(),
        water: z.strictObject({ mm: number, no3NMgL: number.optional(), kMgL: number.optional() }).optional(),
        fixationKgHa: number.optional(),
        residuesKgHa: number.optional(),
      })
      .optional(),
  })
  .meta({ id: "DoseNeedRequest" });

const amountsSchema = z.object({ ...main, Ca: number.optional(), Mg: number.optional() });
export const doseNeedAnswerSchema = z
  .object({
    uptakeKgHa: amountsSchema,
    credits: z.array(z.object({ from: z.string(), ...main })),
    toGiveKgHa: amountsSchema,
    warnings: z.array(z.string()),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "DoseNeedAnswer" });

const scheduleSchema = z.discriminatedUnion(
  "kind",
  [
    z.strictObject({
      kind: z.literal("shares"),
      events: z.array(z.strictObject({ on: dateSchema, sharePct: number })).max(2000),
    }),
    z.strictObject({ kind: z.literal("equal"), dates: z.array(dateSchema).max(2000) }),
    z.strictObject({
      kind: z.literal("daily-rates"),
      startOn: dateSchema,
      weeks: z
        .array(
          z.strictObject({
            weeks: number,
            kgHaDay: z.strictObject({ N: number, P: number.optional(), K: number.optional() }),
          }),
        )
        .max(200),
      everyDays: number,
    }),
    z.strictObject({
      kind: z.literal("constant-ppm"),
      ppmN: number,
      days: z.array(z.strictObject({ on: dateSchema, litres: number })).max(2000),
    }),
  ],
  { error: () => "The schedule must be one of shares, equal, daily-rates, constant-ppm." },
);

export const doseCalendarRequestSchema = z
  .strictObject({
    toGiveKgHa: z.strictObject(main).optional(),
    areaM2: number,
    plants: number,
    schedule: scheduleSchema,
    products: listSchema("Products", productChoiceSchema, 100),
    largestNKgHa: number.optional(),
    shortestDays: number.optional(),
    lastOn: dateSchema.optional(),
    basalPct: number.optional(),
  })
  .meta({ id: "DoseCalendarRequest" });

export const doseCalendarAnswerSchema = z
  .object({
    doses: z.array(
      z.object({
        on: dateSchema,
        products: z.array(z.object({ productId: z.string(), kg: number, gPlant: number })),
        nutrientsKgHa: mainSchema,
        basal: z.literal(true).optional(),
      }),
    ),
    totalKgHa: mainSchema,
    unmet: z.array(z.object({ nutrient: z.enum(["N", "P", "K"]), kgHa: number, reason: z.string() })),
    warnings: z.array(z.string()),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "DoseCalendarAnswer" });
