import { z } from "zod";
import { dateSchema, idSchema, instantSchema, listSchema, quantitySchema, textSchema } from "../basics/basics.ts";
import { rootsSchema } from "./roots.ts";

/** What a pen, a tray, a rule or a tensiometer says; what was not read is left out. */
const lookSchema = z.strictObject({
  at: instantSchema,
  dripEcMsCm: quantitySchema("Drip EC", 0, 20, "mS/cm").optional(),
  dripPh: quantitySchema("Drip pH", 3, 10, "").optional(),
  drainPct: quantitySchema("Drain share", 0, 95, "% of the water given").optional(),
  drainEcMsCm: quantitySchema("Drain EC", 0, 20, "mS/cm").optional(),
  feedEcMsCm: quantitySchema("Feed EC", 0, 20, "mS/cm").optional(),
  drainPh: quantitySchema("Drain pH", 3, 10, "").optional(),
  tankEcMsCm: quantitySchema("EC of the solution", 0, 20, "mS/cm").optional(),
  tankPh: quantitySchema("pH of the solution", 3, 10, "").optional(),
  levelCm: quantitySchema("The level", -100, 200, "cm").optional(),
  tensionKpa: quantitySchema("The tension", 0, 1500, "kPa").optional(),
  rootC: quantitySchema("The root temperature", -5, 50, "°C").optional(),
  co2Ppm: quantitySchema("CO₂ in the air", 150, 5000, "ppm").optional(),
});
type Look = z.infer<typeof lookSchema>;

function isRead({ at: _at, ...values }: Look): boolean {
  return Object.values(values).some((value) => value !== undefined);
}
const NOTHING_READ = { error: () => "Type at least one value that was read." };

/** One look at a root zone: what was read at one moment. */
export const newReadingSchema = lookSchema.refine(isRead, NOTHING_READ).meta({ id: "NewReading" });
export type NewReading = z.infer<typeof newReadingSchema>;

export const strikeSchema = z
  .strictObject({ at: instantSchema, reason: textSchema("The reason", 200) })
  .meta({ id: "Strike" });
export type Strike = z.infer<typeof strikeSchema>;

const readingSchema = z.object({
  at: instantSchema,
  dripEcMsCm: z.number().nullable(),
  dripPh: z.number().nullable(),
  drainPct: z.number().nullable(),
  drainEcMsCm: z.number().nullable(),
  feedEcMsCm: z.number().nullable(),
  drainPh: z.number().nullable(),
  tankEcMsCm: z.number().nullable(),
  tankPh: z.number().nullable(),
  levelCm: z.number().nullable(),
  tensionKpa: z.number().nullable(),
  rootC: z.number().nullable(),
  co2Ppm: z.number().nullable(),
  /** why it was struck out; null while it counts */
  struck: z.string().nullable(),
});
export type Reading = z.infer<typeof readingSchema>;

/** A walk past the zones: one look at each, written all or none. */
export const newRoundSchema = z
  .strictObject({
    readings: listSchema(
      "Readings",
      lookSchema.extend({ zoneId: idSchema }).refine(({ zoneId: _zone, ...look }) => isRead(look), NOTHING_READ),
      500,
    ).min(1, { error: () => "A round holds at least one reading." }),
  })
  .meta({ id: "NewRound" });
export type NewRound = z.infer<typeof newRoundSchema>;

const pastValueSchema = z.object({ at: instantSchema, value: z.number() });
/** What was last read of each zone: by kind, the newest values that count, the newest first. */
export const rootStationSchema = z
  .object({
    zones: z.array(
      z.object({
        zoneId: idSchema,
        past: z.record(z.string(), z.array(pastValueSchema)),
        /** where the readings of a kind may lie, by the zone's feed of the date; kinds without a band are left out */
        bands: z.record(z.string(), z.object({ from: z.number(), to: z.number() })),
      }),
    ),
  })
  .meta({ id: "RootStation" });
export type RootStation = z.infer<typeof rootStationSchema>;

/** Where the water of some days came from and went, mm; salt as EC · mm. */
const booksSchema = z.object({
  in: z.number(),
  reached: z.number().describe("in soil that roots grew into"),
  freed: z.number().describe("given in doses, and set free by soil, manure and residues"),
  corrected: z.number().describe("that tests put right"),
  taken: z.number(),
  out: z.number().describe("with drain, overflow and what unevenness loses"),
  change: z.number(),
});

const balanceSchema = z.object({
  days: z.number(),
  givenMm: z.number(),
  rainMm: z.number(),
  reachedMm: z.number(),
  correctedMm: z.number(),
  takenMm: z.number(),
  shortMm: z.number(),
  drainMm: z.number(),
  lostMm: z.number(),
  overflowMm: z.number(),
  changeMm: z.number(),
  /** salt as EC · mm (mS/cm · mm); null where nobody knows what was in the water */
  salt: booksSchema.nullable(),
  /** g/m² */
  nitrogen: booksSchema.nullable(),
});
export type Balance = z.infer<typeof balanceSchema>;

/** The root zone of a zone over the last weeks. */
export const rootHistorySchema = z
  .object({
    zoneId: idSchema,
    from: dateSchema,
    to: dateSchema,
    now: rootsSchema.nullable(),
    /** how it stands when the next water of the day begins; null on other days, and when no more comes */
    next: z.object({ at: instantSchema, roots: rootsSchema }).nullable(),
    /** newest last */
    readings: z.array(readingSchema),
    /** what was missing each morning */
    mornings: z.array(
      z.object({ date: dateSchema, depletionMm: z.number(), triggerMm: z.number(), givenMm: z.number() }),
    ),
    /** the books of the day, of seven days and of the planting; null where nothing stands, or the day is still to come */
    balances: z.object({ day: balanceSchema, week: balanceSchema, planting: balanceSchema }).nullable(),
  })
  .meta({ id: "RootHistory" });
export type RootHistory = z.infer<typeof rootHistorySchema>;
