import "./words.ts";
import { z } from "zod";

export const idSchema = z.coerce.number().int().min(1).max(Number.MAX_SAFE_INTEGER);
export const dateSchema = z.iso.date();
export const instantSchema = z.iso.datetime();
export const versionSchema = z.number().int().min(1);

/** Text as people type it. The database cuts text at a NUL character, so it is refused. */
export function textSchema(name: string, most: number) {
  return z
    .string()
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
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  current: z.unknown().optional(),
});
export type Problem = z.infer<typeof problemSchema>;
