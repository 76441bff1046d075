import { z } from "zod";
import { dateSchema, idParamSchema, idSchema, instantSchema, labelSchema } from "../basics/basics.ts";

/** Kinds of records that people change: each change of one is kept with who made it. */
export const CHANGE_KINDS = [
  "catch_test",
  "day_plan",
  "decision",
  "dose_programme",
  "dose_record",
  "feed_settings",
  "feed_target",
  "file_import",
  "house",
  "kept_programme",
  "kept_recipe",
  "leaf_taken",
  "main",
  "mix",
  "nutrient_rules",
  "own_crop",
  "own_product",
  "pick",
  "reading_strike",
  "shelf_item",
  "site",
  "soil_step",
  "source",
  "source_dose",
  "water_report",
  "watering",
  "weather_import",
  "zone",
  "zone_lines",
  "zone_reading",
  "zone_report",
] as const;

export const changeKindSchema = z.enum(CHANGE_KINDS);
export type ChangeKind = z.infer<typeof changeKindSchema>;

const didSchema = z.enum(["added", "changed", "removed"]);
export type Did = z.infer<typeof didSchema>;

/** Any value of JSON, as it stands in the record. */
const valueSchema = z.unknown();
/** A value that is not there before or after is left out, which null would not say. */
const fieldSchema = z.strictObject({
  path: z.array(z.union([z.string(), z.number()])).describe("where in the record, from its field on"),
  was: valueSchema.optional(),
  is: valueSchema.optional(),
});
export type ChangedField = z.infer<typeof fieldSchema>;

const recordSchema = z.strictObject({
  kind: changeKindSchema,
  key: z.string().max(400).describe("by what the record is known among those of its kind"),
  did: didSchema,
  known: z.record(z.string(), z.union([z.string(), z.number()])).describe("fields that people know it by"),
  fields: z.array(fieldSchema),
});
export type ChangedRecord = z.infer<typeof recordSchema>;

const countSchema = z.strictObject({
  kind: changeKindSchema,
  added: z.number().int(),
  changed: z.number().int(),
  removed: z.number().int(),
});
export type ChangeCount = z.infer<typeof countSchema>;

/** What one request changed. Of a kind with very many records only their count is kept, as of a file that is read. */
export const writtenChangeSchema = z.strictObject({
  at: instantSchema,
  by: labelSchema("Who made the change"),
  device: z.string().max(200).describe("the address it came from"),
  endpoint: z.string().max(200).describe("what was asked for, as POST /api/picks"),
  kind: changeKindSchema,
  key: z.string().max(400),
  zone: labelSchema("The zone's name").nullable().describe("the zone's name then; null where it is of no one zone"),
  records: z.array(recordSchema),
  counts: z.array(countSchema),
  before: z
    .string()
    .max(64)
    .describe("SHA-256 of the change before it as canonical JSON (RFC 8785), empty for the first"),
});
export type WrittenChange = z.infer<typeof writtenChangeSchema>;

export const changeSchema = writtenChangeSchema.extend({
  id: idSchema,
  zoneId: idSchema.nullable().describe("the zone of today; null where it is gone"),
  fromFile: z.boolean().describe("it came with the file of the site: keys are those of the folder it was made in"),
});
export type Change = z.infer<typeof changeSchema>;

export const changesSchema = z
  .object({
    changes: z.array(changeSchema).describe("the newest first"),
    more: z.boolean().describe("whether older ones follow"),
    people: z.array(z.string()).describe("all that have made changes here"),
  })
  .meta({ id: "Changes" });
export type Changes = z.infer<typeof changesSchema>;

/** Which changes are asked for; all of them where nothing is named. */
export const changeFilterQuery = z.object({
  from: dateSchema.optional(),
  to: dateSchema.optional(),
  by: labelSchema("Who made the change").optional(),
  kind: changeKindSchema.optional(),
  key: z.string().max(400).optional().describe("one record of the kind"),
  zone: idParamSchema.optional(),
});
export type ChangeFilter = z.infer<typeof changeFilterQuery>;

export const checkSchema = z
  .object({
    changes: z.number().int().describe("how many were looked at"),
    brokenAt: instantSchema.nullable().describe("the first change whose hash does not fit the one before it"),
  })
  .meta({ id: "ChangesCheck" });
export type ChangesCheck = z.infer<typeof checkSchema>;
