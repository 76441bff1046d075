import "./words.ts";
import { z } from "zod";

/** The program's calendar: nothing that is grown, read or planned lies outside it. */
const FIRST_DATE = "1900-01-01";
const LAST_DATE = "2200-12-31";
const MOST_ID = 2 ** 31 - 1;

export const idSchema = z.number().int().min(1).max(MOST_ID);
/** An id as a path writes it: digits alone. */
export const idParamSchema = z
  .string()
  .regex(/^[1-9]\d{0,9}$/, {
    error: (issue) => `"${String(issue.input).slice(0, 40)}" is no id; it is a whole number from 1.`,
  })
  .transform(Number)
  .pipe(idSchema);
export const dateSchema = z.iso
  .date({
    abort: true,
    error: ({ input }) =>
      typeof input === "string" && input !== ""
        ? `"${input.slice(0, 40)}" is no date; a date is written as 2026-07-06.`
        : "The date is missing.",
  })
  .refine((date) => date >= FIRST_DATE && date <= LAST_DATE, {
    error: (issue) => `The date must lie from ${FIRST_DATE} to ${LAST_DATE}, not ${String(issue.input)}.`,
  });
export const instantSchema = z.iso
  .datetime()
  .max(40)
  .refine((at) => at >= FIRST_DATE && at < "2201", {
    error: (issue) => `The time must lie in the years from 1900 to 2200, not ${String(issue.input)}.`,
  });
export const versionSchema = z.number().int().min(1).max(MOST_ID);
/** How many of something there are. */
export function countSchema(name: string, least: number, most: number) {
  return quantitySchema(name, least, most, "").int({ error: () => `${name} must be a whole number.` });
}
/** A name that a caller makes up and gets back: of a zone in a plan, of a tank, of a recipe. */
export function labelSchema(name: string) {
  return textSchema(name, 80);
}
/** A time of day, as 07:30 or 07:30:00; whether there is such a time is judged by the core. */
export const clockSchema = z.string().max(8).describe("local time as 07:30 or 07:30:00");
/** A span of a day on the clock. */
export const spanSchema = z.strictObject({ start: clockSchema, end: clockSchema });
/** A list of at most so many. */
export function listSchema<T extends z.ZodType>(name: string, item: T, most: number) {
  return z.array(item).max(most, {
    error: (issue) => `${name}: at most ${most} are taken at a time, not ${(issue.input as unknown[]).length}.`,
  });
}

/** Text as people type it. The database cuts text at a NUL character, so it is refused. */
export function textSchema(name: string, most: number) {
  return z
    .string({
      error: ({ input }) =>
        input === undefined || input === null
          ? `${name} is empty; type at least one letter.`
          : `${name} must be a text.`,
    })
    .trim()
    .min(1, { error: () => `${name} is empty; type at least one letter.` })
    .max(most, { error: (issue) => `${name} is ${(issue.input as string).length} letters long; at most ${most} fit.` })
    .refine((text) => !text.includes("\u0000"), { error: () => `${name} holds a character that cannot be stored.` });
}

/** A measurable quantity in its canonical unit, refused outside what is sensible, in words that name both. */
export function quantitySchema(name: string, least: number, most: number, unit: string) {
  const span = `${least} to ${most}${unit && ` ${unit}`}`;
  return z
    .number({
      error: (issue) =>
        issue.input === undefined ? `${name} is missing; give ${span}.` : `${name} must be a number, ${span}.`,
    })
    .min(least, { error: (issue) => `${name} must be ${span}, not ${String(issue.input)}.` })
    .max(most, { error: (issue) => `${name} must be ${span}, not ${String(issue.input)}.` })
    .describe(`${name}, ${unit || "no unit"}`);
}

export const workingStepSchema = z.object({
  label: z.string(),
  formula: z.string(),
  substituted: z.string(),
  value: z.number(),
  unit: z.string(),
  source: z.string(),
});
export type WorkingStep = z.infer<typeof workingStepSchema>;

/** RFC 9457, with the faults of single values and, after a stale edit, the record as it stands now. */
export const problemSchema = z
  .object({
    type: z.string(),
    title: z.string(),
    status: z.number().int(),
    detail: z.string(),
    errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
    current: z.unknown().optional(),
  })
  .meta({ id: "Problem" });
export type Problem = z.infer<typeof problemSchema>;
