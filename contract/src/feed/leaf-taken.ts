import { z } from "zod";
import { dateSchema, idSchema, quantitySchema } from "../basics/basics.ts";

const ofDryMatter = (name: string, most: number) => quantitySchema(`${name} of the dry matter`, 0, most, "%");

/** Leaf, shoots or whole plants that were carried away, beside what was picked. */
export const newLeafTakenSchema = z
  .strictObject({
    /** made by the page, so that a second sending is not a second note */
    key: z.uuid({ error: () => "The key is no UUID." }),
    takenOn: dateSchema,
    massKg: quantitySchema("The fresh mass", 0.1, 1_000_000, "kg"),
    dryPct: quantitySchema("Dry matter", 2, 100, "%"),
    nPct: ofDryMatter("Nitrogen", 10),
    pPct: ofDryMatter("Phosphorus", 3),
    kPct: ofDryMatter("Potassium", 15),
    /** whether its figures are those of an analysis; else they are usual ones */
    analysed: z.boolean(),
  })
  .meta({ id: "NewLeafTaken" });
export type NewLeafTaken = z.infer<typeof newLeafTakenSchema>;

export const leafTakenSchema = z.object({
  id: idSchema,
  takenOn: dateSchema,
  massKg: z.number(),
  analysed: z.boolean(),
  kgHa: z.object({ N: z.number(), P: z.number(), K: z.number() }),
});
