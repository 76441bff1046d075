import { z } from "zod";
import { endpoint } from "./endpoint.ts";

const accessSchema = z
  .object({
    /** whether other machines than this one are let in */
    open: z.boolean(),
    /** under which they reach the program */
    addresses: z.array(z.string()),
    /** what they type once; null where they are not let in */
    code: z.string().nullable(),
  })
  .meta({ id: "Access" });
export type Access = z.infer<typeof accessSchema>;

export const getAccess = endpoint({
  method: "get",
  path: "/api/access",
  needs: "people",
  summary: "By which address and code a tablet on the nursery's network gets in",
  answer: accessSchema,
});
