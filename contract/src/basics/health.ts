import { z } from "zod";
import { instantSchema } from "./basics.ts";
import { endpoint } from "./endpoint.ts";

const healthSchema = z
  .object({
    status: z.enum(["ok", "trouble"]),
    version: z.string(),
    /** what goes on beside requests and does not work now */
    troubles: z.array(z.object({ what: z.string(), words: z.string(), since: instantSchema })),
  })
  .meta({ id: "Health" });
export const getHealth = endpoint({
  method: "get",
  path: "/api/health",
  needs: "open",
  summary: "Answers when the program can serve, and says what does not work beside it",
  answer: healthSchema,
});
export const getDescription = endpoint({
  method: "get",
  path: "/api/openapi.json",
  needs: "see",
  summary: "This description of the API, as OpenAPI 3.1",
  answer: z.record(z.string(), z.unknown()).meta({ id: "OpenApi" }),
});
