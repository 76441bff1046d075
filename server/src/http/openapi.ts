import { problemSchema, type Endpoint } from "@sprunel/contract/basics";
import { z } from "zod";

type Registry = ReturnType<typeof z.registry<{ id: string }>>;

/** The API as OpenAPI 3.1, written from the same endpoint objects that read the requests. */
export function openApi(endpoints: readonly Endpoint[], version: string): Record<string, unknown> {
  const registry: Registry = z.registry<{ id: string }>();
  for (const schema of [problemSchema, ...endpoints.flatMap(({ answer, body }) => [answer, ...(body ? [body] : [])])]) {
    const id = z.globalRegistry.get(schema)?.id;
    if (id !== undefined && !registry.has(schema)) registry.add(schema, { id });
  }
  const { schemas } = z.toJSONSchema(registry, {
    io: "input",
    unrepresentable: "any",
    uri: (id) => `#/components/schemas/${id}`,
  });
  const paths: Record<string, Record<string, unknown>> = {};
  for (const endpoint of endpoints) {
    const path = endpoint.path.replace(/:(\w+)/g, "{$1}");
    paths[path] = { ...paths[path], [endpoint.method]: operation(endpoint) };
  }
  return {
    openapi: "3.1.0",
    info: { title: "Sprunel", version, description: "Units end the names of the fields; docs/api.md tells them all." },
    paths,
    components: {
      schemas: Object.fromEntries(Object.entries(schemas).map(([name, schema]) => [name, withoutIdentity(schema)])),
    },
  };
}

function operation({ params, query, summary, needs, body, answer, status, media }: Endpoint): object {
  const parameters = [...parametersOf(params, "path"), ...parametersOf(query, "query")];
  const problem = (description: string) => ({
    description,
    content: { "application/problem+json": { schema: schemaOf(problemSchema) } },
  });
  return {
    summary,
    "x-needs": needs,
    ...(parameters.length > 0 && { parameters }),
    ...(body && { requestBody: { required: true, content: { "application/json": { schema: schemaOf(body) } } } }),
    responses: {
      [status]: { description: "As asked", content: { [media]: { schema: schemaOf(answer) } } },
      422: problem("Values that cannot be, each with its path"),
      ...(Object.keys(params.shape).length > 0 && { 404: problem("Does not exist") }),
      ...(hasVersion(body) && { 409: problem("Changed meanwhile; `current` is the newer record") }),
    },
  };
}

function parametersOf({ shape }: z.ZodObject, place: "path" | "query"): object[] {
  return Object.entries(shape).map(([name, schema]) => ({
    name,
    in: place,
    required: place === "path",
    schema: withoutIdentity(z.toJSONSchema(schema, { io: "input", unrepresentable: "any" })),
    ...(name === "date" && { description: "YYYY-MM-DD at the site; today when left out" }),
  }));
}

/** By its name where the contract has given it one. */
function schemaOf(schema: z.ZodType): object {
  const id = z.globalRegistry.get(schema)?.id;
  return id === undefined
    ? withoutIdentity(z.toJSONSchema(schema, { io: "input", unrepresentable: "any" }))
    : { $ref: `#/components/schemas/${id}` };
}

/** What is changed at a version may have been changed by somebody else. */
function hasVersion(body: z.ZodType | null): boolean {
  return body instanceof z.ZodObject && Object.keys(body.shape).some((key) => /version$/i.test(key));
}

function withoutIdentity(schema: Record<string, unknown>): Record<string, unknown> {
  const { $schema: _schema, $id: _id, id: _name, ...rest } = schema;
  return rest;
}
