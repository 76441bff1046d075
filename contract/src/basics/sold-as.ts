import { z } from "zod";
import { textSchema } from "./basics.ts";

/** How what comes off is counted: by its mass, or by the piece, as heads and pots are sold. */
export const soldAsSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("mass") }),
  z.object({ kind: z.literal("piece"), one: textSchema("One piece", 30), many: textSchema("Many pieces", 30) }),
]);
export type SoldAs = z.infer<typeof soldAsSchema>;
