import { z } from "zod";
import { ENDPOINTS, type Endpoint } from "./api-endpoints.ts";
import { SCHEMAS, type SchemaName } from "./api-schemas.ts";

const reference = (name: SchemaName) => ({ $ref: `#/components/schemas/${name}` });

/** The API as OpenAPI 3.1, written from the same schemas that read the requests. */
export function openApi(version: string): object {
  const registry = z.registry<{ id: string }>();
  for (const [id, schema] of Object.entries(SCHEMAS)) registry.add(schema, { id });
  const { schemas } = z.toJSONSchema(registry, {
    io: "input",
    unrepresentable: "any",
    uri: (id) => `#/components/schemas/${id}`,
  });
  const paths: Record<string, Record<string, unknown>> = {};
  for (const endpoint of ENDPOINTS)
    paths[endpoint.path] = { ...paths[endpoint.path], [endpoint.method]: operation(endpoint) };
  return {
    openapi: "3.1.0",
    info: { title: "Sprunel", version, description: "Units end the names of the fields; docs/api.md tells them all." },
    paths,
    components: {
      schemas: Object.fromEntries(Object.entries(schemas).map(([name, schema]) => [name, withoutIdentity(schema)])),
    },
  };
}

function operation({ path, summary, body, answer, status = 200, date }: Endpoint): object {
  const parameters = [
    ...(path.includes("{id}")
      ? [{ name: "id", in: "path", required: true, schema: { type: "integer", minimum: 1 } }]
      : []),
    ...(date
      ? [
          {
            name: "date",
            in: "query",
            required: false,
            description: "YYYY-MM-DD at the site; today when left out",
            schema: { type: "string", format: "date" },
          },
        ]
      : []),
  ];
  const problem = (description: string) => ({
    description,
    content: { "application/problem+json": { schema: reference("Problem") } },
  });
  return {
    summary,
    ...(parameters.length > 0 && { parameters }),
    ...(body && { requestBody: { required: true, content: { "application/json": { schema: reference(body) } } } }),
    responses: {
      [status]: { description: "As asked", content: { "application/json": { schema: reference(answer) } } },
      422: problem("Values that cannot be, each with its path"),
      ...(path.includes("{id}") && { 404: problem("Does not exist") }),
      ...(body?.endsWith("Update") && { 409: problem("Changed meanwhile; `current` is the newer record") }),
    },
  };
}

function withoutIdentity(schema: Record<string, unknown>): Record<string, unknown> {
  const { $schema: _schema, $id: _id, ...rest } = schema;
  return rest;
}
