import { endpoint } from "../basics/endpoint.ts";
import { rootZoneAnswerSchema, rootZoneRequestSchema } from "./root-zone.ts";

export const computeRootZone = endpoint({
  method: "post",
  path: "/api/compute/root-zone",
  needs: "see",
  summary: "A root zone through hours of demand, rain and water, with its balance",
  body: rootZoneRequestSchema,
  takesFiles: true,
  answer: rootZoneAnswerSchema,
});
