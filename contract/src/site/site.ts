import { z } from "zod";
import { idSchema, quantitySchema, textSchema, versionSchema } from "../basics/basics.ts";

const unitSystemSchema = z.enum(["metric", "us"]);
const dateFormSchema = z.enum(["dmy", "mdy", "ymd"]);
export type DateForm = z.infer<typeof dateFormSchema>;

/** Names that were found right: a site is read from its record with every request. */
const known = new Set<string>();

function isTimeZone(name: string): boolean {
  if (known.has(name)) return true;
  try {
    new Intl.DateTimeFormat("en", { timeZone: name });
    known.add(name);
    return true;
  } catch {
    return false;
  }
}

export const timeZoneSchema = z
  .string()
  .max(64)
  .refine(isTimeZone, { error: (issue) => `"${String(issue.input)}" is no time zone; write it as Europe/Paris.` });

export const newSiteSchema = z
  .strictObject({
    name: textSchema("The site's name", 60),
    latitudeDeg: quantitySchema("Latitude", -70, 70, "°, north positive"),
    longitudeDeg: quantitySchema("Longitude", -180, 180, "°, east positive"),
    elevationM: quantitySchema("Elevation", -430, 5000, "m"),
    timeZone: timeZoneSchema,
    unitSystem: unitSystemSchema,
    /** how dates are written here: day, month or year first */
    dateForm: dateFormSchema.default("dmy"),
    /** what the pump that serves the zones gives at most; null while nobody said */
    pumpLh: quantitySchema("The pump's flow", 1, 10_000_000, "L/h").nullable().default(null),
    /** of current, for a kWh in the site's currency; null while nobody said */
    kwhPrice: quantitySchema("The price of a kWh", 0, 1000, "").nullable().default(null),
    currency: z
      .string()
      .regex(/^[A-Z]{3}$/, { error: () => "The currency is written with three capital letters, as EUR or USD." }),
  })
  .meta({ id: "NewSite" });
export type NewSite = z.infer<typeof newSiteSchema>;

export const siteSchema = newSiteSchema.extend({ id: idSchema, version: versionSchema }).meta({ id: "Site" });
export type Site = z.infer<typeof siteSchema>;

export const siteUpdateSchema = newSiteSchema.extend({ version: versionSchema }).meta({ id: "SiteUpdate" });
