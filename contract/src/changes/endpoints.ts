import { z } from "zod";
import { idParamSchema } from "../basics/basics.ts";
import { endpoint } from "../basics/endpoint.ts";
import { changeFilterQuery, changesSchema, checkSchema } from "./changes.ts";

const MOST_AT_ONCE = 200;
const USUAL_AT_ONCE = 50;

export const getChanges = endpoint({
  method: "get",
  path: "/api/changes",
  // What was paid stands in it.
  needs: "money",
  summary: "Who changed what and when, the newest first",
  query: changeFilterQuery.extend({
    before: idParamSchema.optional().describe("only changes older than the one with this id"),
    most: idParamSchema.pipe(z.number().max(MOST_AT_ONCE)).default(USUAL_AT_ONCE),
  }),
  answer: changesSchema,
});

export const getChangesTable = endpoint({
  method: "get",
  path: "/api/changes.csv",
  needs: "money",
  summary: "The same as a table, a line for each field that changed",
  query: changeFilterQuery,
  answer: z.string(),
  media: "text/csv",
});

export const checkChanges = endpoint({
  method: "get",
  path: "/api/changes/check",
  needs: "money",
  summary: "Whether the record of changes is whole: each change holds the hash of the one before it",
  answer: checkSchema,
});
