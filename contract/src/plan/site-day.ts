import { LIMIT_KINDS } from "@sprunel/core/schedule";
import { z } from "zod";
import { dateSchema, idSchema, instantSchema, versionSchema } from "../basics/basics.ts";
import { pulseIdSchema } from "./main.ts";

const spanSchema = z.object({ startUtc: instantSchema, endUtc: instantSchema });

/** A pulse as it is planned, and what became of it. */
export const dayPulseSchema = z.object({
  id: pulseIdSchema,
  /** null of a run that belongs to no zone */
  zoneId: idSchema.nullable(),
  name: z.string(),
  mixer: z.string().nullable(),
  recipe: z.string().nullable(),
  dose: z.string().nullable(),
  ...spanSchema.shape,
  litres: z.number(),
  lh: z.number(),
  locked: z.boolean(),
  byHand: z.boolean(),
  /** due: it is over, and nobody has said what was given; missed: somebody said that it was not */
  state: z.enum(["ahead", "running", "due", "given", "missed"]),
  /** what was said or metered */
  given: z.object({ startUtc: instantSchema, minutes: z.number(), litres: z.number() }).nullable(),
});
export type DayPulse = z.infer<typeof dayPulseSchema>;

const energySchema = z.object({ name: z.string(), kwh: z.number(), cost: z.number().nullable() });

/** Why a day was planned anew. */
const changeSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("first") }),
  z.object({ kind: z.literal("better") }),
  z.object({ kind: z.literal("main") }),
  z.object({ kind: z.literal("litres"), name: z.string(), fromL: z.number(), toL: z.number() }),
  z.object({ kind: z.literal("pulses"), name: z.string(), from: z.number(), to: z.number() }),
  z.object({ kind: z.literal("moved"), name: z.string(), pulses: z.number(), minutes: z.number() }),
  z.object({ kind: z.enum(["locked", "unlocked", "excluded", "included", "added", "fed"]), name: z.string() }),
]);
export type DayChange = z.infer<typeof changeSchema>;

export const siteDaySchema = z
  .object({
    /** of the plan that is kept; null where nothing can be planned */
    id: idSchema.nullable(),
    version: versionSchema.nullable(),
    date: dateSchema,
    now: instantSchema,
    /** whether a better plan is being looked for */
    improving: z.boolean(),
    pulses: z.array(dayPulseSchema),
    /** water that was given beside the plan */
    beside: z.array(
      z.object({
        zoneId: idSchema,
        name: z.string(),
        startUtc: instantSchema,
        minutes: z.number(),
        litres: z.number(),
      }),
    ),
    unmet: z.array(
      z.object({
        zoneId: idSchema.nullable(),
        name: z.string(),
        litres: z.number(),
        reason: z.string(),
        wayOut: z.string(),
        /** of the root zone's available water that is gone by the evening without it, % */
        gonePct: z.number().nullable(),
      }),
    ),
    gapPct: z.number(),
    peakLh: z.number(),
    energy: z.array(energySchema),
    /** of the water that was given so far */
    energyGiven: z.array(energySchema),
    zones: z.array(
      z.object({
        zoneId: idSchema,
        name: z.string(),
        /** what it asks for of the day; null where that is not known */
        litres: z.number().nullable(),
        excluded: z.boolean(),
        byHand: z.boolean(),
        /** when it may be watered */
        windows: z.array(spanSchema),
      }),
    ),
    limits: z.array(
      z.object({
        kind: z.enum([...LIMIT_KINDS, "mixer"]),
        name: z.string(),
        maxLh: z.number().nullable(),
        zoneIds: z.array(idSchema).nullable(),
      }),
    ),
    /** hours in the upper half of the day's prices */
    dear: z.array(spanSchema.extend({ pricePerKwh: z.number() })),
    /** of the last time that it was planned anew; null before that */
    change: z.object({ atUtc: instantSchema, of: z.array(changeSchema) }).nullable(),
    /** what was missed on the day before, and nobody decided about */
    offered: z.array(
      z.object({
        pulseId: pulseIdSchema,
        zoneId: idSchema,
        name: z.string(),
        startUtc: instantSchema,
        litres: z.number(),
      }),
    ),
  })
  .meta({ id: "SiteDay" });
export type SiteDay = z.infer<typeof siteDaySchema>;

const onPulse = { pulseId: pulseIdSchema };
const onZone = { zoneId: idSchema };
/** What a person changes of a day. */
export const dayEditSchema = z
  .strictObject({
    version: versionSchema,
    edit: z.discriminatedUnion(
      "kind",
      [
        z.strictObject({ kind: z.literal("lock"), ...onPulse, startUtc: instantSchema }),
        z.strictObject({ kind: z.literal("unlock"), ...onPulse }),
        z.strictObject({ kind: z.literal("exclude"), ...onZone }),
        z.strictObject({ kind: z.literal("include"), ...onZone }),
        /** it was not given */
        z.strictObject({ kind: z.literal("missed"), ...onPulse }),
        /** what was missed on the day before is given today beside its litres, or let go */
        z.strictObject({ kind: z.literal("again"), ...onPulse }),
        z.strictObject({ kind: z.literal("let-go"), ...onPulse }),
        /** the best plan is looked for, wherever pulses stand now */
        z.strictObject({ kind: z.literal("afresh") }),
      ],
      { error: () => "A day is changed by one of lock, unlock, exclude, include, missed, again, let-go, afresh." },
    ),
  })
  .meta({ id: "DayEdit" });
export type DayEdit = z.infer<typeof dayEditSchema>;
