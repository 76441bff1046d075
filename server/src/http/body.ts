import type { Request } from "express";
import type { z } from "zod";
import { badInput } from "./problems.ts";

/** Reads a request's body through its contract; an absent or non-object body is bad input in plain words. */
export function readBody<T extends z.ZodType>(req: Request, schema: T): z.infer<T> {
  const body: unknown = req.body;
  if (body === undefined || body === null)
    throw badInput([
      { path: "", message: "The request is empty; send the values as JSON (content type application/json)." },
    ]);
  if (typeof body !== "object" || Array.isArray(body))
    throw badInput([
      {
        path: "",
        message: `The request must be an object with named values, not ${Array.isArray(body) ? "a list" : "a bare value"}.`,
      },
    ]);
  return schema.parse(body);
}
