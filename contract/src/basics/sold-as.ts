import { z } from "zod";

/** How what comes off is counted: by its mass, or by the piece, as heads and pots are sold. */
export const soldAsSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("mass") }),
  z.object({ kind: z.literal("piece"), one: z.string(), many: z.string() }),
]);
export type SoldAs = z.infer<typeof soldAsSchema>;
