import { z } from "zod";
import { quantitySchema, textSchema } from "../basics/basics.ts";

const LABEL_KEYS = [
  "nitrateN",
  "ammoniumN",
  "ureaN",
  "P2O5",
  "P",
  "K2O",
  "K",
  "CaO",
  "Ca",
  "MgO",
  "Mg",
  "SO3",
  "S",
  "Cl",
  "Na",
  "Fe",
  "Mn",
  "Zn",
  "B",
  "Cu",
  "Mo",
] as const;

/** A bag of one's own, by its label in mass per cent. Whether the label can be true is judged by the core. */
export const newOwnProductSchema = z
  .strictObject({
    name: textSchema("The product's name", 80),
    form: z.enum(["solid", "liquid"]),
    isAcid: z.boolean(),
    isChelate: z.boolean(),
    densityKgL: quantitySchema("The density", 0.7, 3, "kg/L").nullable(),
    solubilityGL: quantitySchema("The solubility", 1, 3000, "g/L").nullable(),
    label: z.partialRecord(z.enum(LABEL_KEYS), quantitySchema("A figure of the label", 0, 100, "%")),
  })
  .meta({ id: "NewOwnProduct" });
export type NewOwnProduct = z.infer<typeof newOwnProductSchema>;
