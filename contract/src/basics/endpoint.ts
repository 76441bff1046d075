import { z } from "zod";
import { dateSchema, idParamSchema } from "./basics.ts";
import type { Right } from "./rights.ts";

/** How an answer travels: one JSON object, or a file or lines that are written as they come. */
/** What is asked for with this tells its steps, line by line: `{ step }` as often as it likes, then `{ answer }` or `{ problem }`. */
export const FOLLOWED = "application/x-ndjson";

type Media = "application/json" | "application/x-ndjson" | "text/csv" | "text/calendar";

/** Everything that there is to know of one route: it drives the server, the description of the API and the web's client. */
export interface Endpoint<
  Params extends z.ZodObject = z.ZodObject,
  Query extends z.ZodObject = z.ZodObject,
  Body extends z.ZodType = z.ZodType,
  Answer extends z.ZodType = z.ZodType,
> {
  readonly method: "get" | "post" | "put" | "delete";
  /** parameters as `:id` */
  readonly path: `/api/${string}`;
  readonly summary: string;
  /** what whoever asks must be allowed */
  readonly needs: Right;
  readonly params: Params;
  readonly query: Query;
  /** null: nothing is sent */
  readonly body: Body | null;
  /** of a file or lines: what one line holds, or a text */
  readonly answer: Answer;
  readonly status: 200 | 201;
  readonly media: Media;
  /** it takes whole files, not only what a person types */
  readonly takesFiles: boolean;
}

const NOTHING = z.object({});
type Nothing = typeof NOTHING;

/** What is left out: no parameters, no query, no body, 200, JSON, small. */
export function endpoint<
  Answer extends z.ZodType,
  Params extends z.ZodObject = Nothing,
  Query extends z.ZodObject = Nothing,
  Body extends z.ZodType = z.ZodUndefined,
>(
  asked: Pick<Endpoint<Params, Query, Body, Answer>, "method" | "path" | "summary" | "needs" | "answer"> &
    Partial<Endpoint<Params, Query, Body, Answer>>,
): Endpoint<Params, Query, Body, Answer> {
  return {
    params: NOTHING as unknown as Params,
    query: NOTHING as unknown as Query,
    body: null,
    status: 200,
    media: "application/json",
    takesFiles: false,
    ...asked,
  };
}

/** The one thing that a path names. */
export const oneParams = z.object({ id: idParamSchema });
/** A date at the site; today when left out. */
export const dateQuery = z.object({ date: dateSchema.optional() });
/** What is answered where there is nothing to say. */
export const emptySchema = z.object({}).meta({ id: "Empty" });

/** The address of a call: parameters in their places, what is null or undefined left out of the query. */
export function addressOf(
  { path }: Pick<Endpoint, "path">,
  params: Readonly<Record<string, unknown>> = {},
  query: Readonly<Record<string, unknown>> = {},
): string {
  const filled = path.replace(/:(\w+)/g, (_match, name: string) => encodeURIComponent(String(params[name])));
  const asked = Object.entries(query)
    .filter(([, value]) => value !== undefined && value !== null)
    .map(([name, value]) => `${name}=${encodeURIComponent(String(value))}`)
    .join("&");
  return asked === "" ? filled : `${filled}?${asked}`;
}
