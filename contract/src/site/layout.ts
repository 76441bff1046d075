import { z } from "zod";
import { countSchema, quantitySchema } from "../basics/basics.ts";

const SUBSTRATE_VESSELS = ["bag", "slab", "pot", "trough", "table", "mat"] as const;
const SOLUTION_VESSELS = ["float", "deep", "film", "channel"] as const;

/** What holds a zone's substrate or solution. */
const vesselSchema = z.discriminatedUnion(
  "kind",
  [
    z.strictObject({
      kind: z.enum(SUBSTRATE_VESSELS),
      substrateL: quantitySchema("The substrate in one", 0.05, 2000, "L"),
      plants: countSchema("The plants in one", 1, 200),
      holdsPct: quantitySchema("What the substrate holds", 10, 95, "%"),
    }),
    z.strictObject({
      kind: z.enum(SOLUTION_VESSELS),
      returnL: quantitySchema("The return tank", 0, 1_000_000, "L"),
    }),
  ],
  { error: () => `The vessel must be one of ${[...SUBSTRATE_VESSELS, ...SOLUTION_VESSELS].join(", ")}.` },
);
export type Vessel = z.infer<typeof vesselSchema>;

/** How a zone is laid out; area, plants and flow follow from it. */
export const layoutSchema = z.strictObject({
  beds: countSchema("The number of beds", 1, 2000),
  lengthM: quantitySchema("The bed's length", 0.2, 1000, "m"),
  widthM: quantitySchema("The bed's width with its path", 0.1, 200, "m"),
  rows: countSchema("The rows on a bed", 1, 60),
  inRowM: quantitySchema("The distance in the row", 0.01, 20, "m"),
  offset: z.boolean(),
  linesPerBed: countSchema("The drip lines on a bed", 0, 20),
  dripperSpacingM: quantitySchema("The spacing of drippers", 0.02, 20, "m"),
  dripperLh: quantitySchema("The dripper's flow", 0, 200, "L/h"),
  drippersPerPlant: countSchema("The drippers at a plant", 0, 10),
  vessel: vesselSchema.nullable().default(null),
});
export type Layout = z.infer<typeof layoutSchema>;
