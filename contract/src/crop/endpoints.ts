import { z } from "zod";
import { idParamSchema } from "../basics/basics.ts";
import { dateQuery, endpoint, oneParams } from "../basics/endpoint.ts";
import { cropStationSchema, newSignSchema, signParamsSchema, zoneCropSchema } from "./crop.ts";

export const getCropStation = endpoint({
  method: "get",
  path: "/api/crop",
  summary: "Every planting's stages with their dates",
  query: dateQuery,
  answer: cropStationSchema,
});

export const getZoneCrop = endpoint({
  method: "get",
  path: "/api/zones/:id/crop",
  summary: "A zone's crop: its stages, and what the one of the date asks for",
  params: oneParams,
  query: dateQuery,
  answer: zoneCropSchema,
});

export const addSign = endpoint({
  method: "post",
  path: "/api/zones/:id/signs",
  summary: "A stage was seen to begin; 409 when the version is old",
  params: oneParams,
  body: newSignSchema,
  answer: zoneCropSchema,
  status: 201,
});

export const takeSignBack = endpoint({
  method: "delete",
  path: "/api/zones/:id/signs/:stageId",
  summary: "The stage of the planting that stands now is counted by its days again; 409 when the version is old",
  params: oneParams.extend(signParamsSchema.shape),
  query: z.object({ version: idParamSchema }),
  answer: zoneCropSchema,
});
