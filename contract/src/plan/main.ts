import { LIMIT_KINDS } from "@sprunel/core/schedule";
import { z } from "zod";
import {
  clockSchema,
  countSchema,
  idSchema,
  labelSchema,
  listSchema,
  quantitySchema,
  textSchema,
  versionSchema,
} from "../basics/basics.ts";

const spanSchema = { start: clockSchema, end: clockSchema };
const zoneIdsSchema = listSchema("Zones", idSchema, 500);
const flowSchema = (name: string) => quantitySchema(name, 1, 1_000_000, "L/h");

/** What all zones share: pumps, sources, filters, groups of valves, mixers, people at hand valves, tariff and dry times. */
export const mainSchema = z.strictObject({
  limits: listSchema(
    "Pumps, sources, filters and groups",
    z.strictObject({
      kind: z.enum(LIMIT_KINDS, { error: () => `What is shared is one of ${LIMIT_KINDS.join(", ")}.` }),
      name: textSchema("The name", 60),
      maxLh: flowSchema("The most that it gives").nullable(),
      maxOpen: countSchema("The valves that may be open together", 1, 1000).nullable(),
      kw: quantitySchema("The pump's power", 0.01, 10_000, "kW").nullable(),
      /** null: every zone's */
      zoneIds: zoneIdsSchema.nullable(),
    }),
    40,
  ),
  mixers: listSchema(
    "Mixers",
    z.strictObject({
      name: textSchema("The mixer's name", 60),
      maxLh: flowSchema("The mixer's flow"),
      rinseMin: quantitySchema("The rinse", 0, 240, "minutes"),
      zoneIds: zoneIdsSchema.nullable(),
    }),
    20,
  ),
  hands: z
    .strictObject({
      zoneIds: zoneIdsSchema,
      hours: listSchema("Hours of hands", z.strictObject(spanSchema), 12),
      reach: countSchema("The valves that are minded at once", 1, 100),
      walkMin: quantitySchema("The way between two valves", 0, 120, "minutes"),
    })
    .nullable(),
  tariff: listSchema(
    "The tariff",
    z.strictObject({ ...spanSchema, pricePerKwh: quantitySchema("The price of a kWh", 0, 1000, "") }),
    48,
  ),
  rules: listSchema(
    "Rules of zones",
    z.strictObject({
      zoneId: idSchema,
      priority: countSchema("The place in the order", 1, 9),
      dry: listSchema("Dry times", z.strictObject(spanSchema), 12),
      wet: listSchema("Times to water", z.strictObject(spanSchema), 12),
    }),
    500,
  ),
  runs: listSchema(
    "Other runs",
    z.strictObject({
      ...spanSchema,
      name: textSchema("The run's name", 60),
      lh: flowSchema("The flow of the run"),
      minutes: quantitySchema("The length of a run", 0.1, 1440, "minutes"),
      times: countSchema("The runs of a day", 1, 100),
    }),
    20,
  ),
});
export type Main = z.infer<typeof mainSchema>;
export const mainUpdateSchema = mainSchema.extend({ version: versionSchema.nullable() }).meta({ id: "MainUpdate" });

export const mainAnswerSchema = z
  .object({
    main: mainSchema,
    /** null while nobody described it: then the site's pump alone is known */
    version: versionSchema.nullable(),
    zones: z.array(z.object({ id: idSchema, name: z.string(), flowLh: z.number() })),
  })
  .meta({ id: "MainAnswer" });
export type MainAnswer = z.infer<typeof mainAnswerSchema>;

export const pulseIdSchema = labelSchema("The pulse");
