import { z } from "zod";
import { endpoint } from "./endpoint.ts";

const healthSchema = z.object({ status: z.literal("ok"), version: z.string() }).meta({ id: "Health" });
export const getHealth = endpoint({
  method: "get",
  path: "/api/health",
  summary: "Answers when the program can serve",
  answer: healthSchema,
});
export const getDescription = endpoint({
  method: "get",
  path: "/api/openapi.json",
  summary: "This description of the API, as OpenAPI 3.1",
  answer: z.record(z.string(), z.unknown()).meta({ id: "OpenApi" }),
});
