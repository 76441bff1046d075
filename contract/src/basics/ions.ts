import { z } from "zod";

export const ionSchema = z.enum([
  "NO3",
  "NH4",
  "urea",
  "H2PO4",
  "K",
  "Ca",
  "Mg",
  "SO4",
  "Cl",
  "Na",
  "HCO3",
  "Si",
  "Fe",
  "Mn",
  "Zn",
  "B",
  "Cu",
  "Mo",
]);
export type Ion = z.infer<typeof ionSchema>;
export const ionsSchema = z
  .partialRecord(ionSchema, z.number())
  .describe("mmol/L; µmol/L for Fe Mn Zn B Cu Mo; urea in mmol of N");
