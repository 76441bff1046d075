import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bags, site, testServer, type TestServer } from "../testing/test-server.ts";

/** Anything that JSON can say, and what a stranger would try. */
const odd = fc.oneof(
  { depthSize: "small" },
  fc.jsonValue({ maxDepth: 3 }),
  fc.constantFrom<unknown>(
    null,
    "",
    -1,
    0,
    1e308,
    -1e308,
    2 ** 53,
    "0000-01-01",
    "9999-12-31T23:59:59Z",
    "a\u0000b",
    "\ud800",
    "../../etc/passwd",
    "'; DROP TABLE zone; --",
    "x".repeat(5000),
    [],
    {},
    [[[[]]]],
    { __proto__: null, constructor: { prototype: {} } },
  ),
);
const inPath = fc.constantFrom(
  "1",
  "0",
  "-1",
  "1e9",
  "NaN",
  "%00",
  "%2e%2e",
  "2147483648",
  "x".repeat(300),
  "own-1",
  "%F0%9F%8D%88",
);

async function described(): Promise<TestServer> {
  const server = await testServer();
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", bags);
  return server;
}

/** Nothing takes so long, on the slowest machine. */
const HANGS_MS = 30_000;

/** Everything that is stored, as one text. */
async function standing({ db }: TestServer): Promise<string> {
  const tables = await db.raw<{ name: string }[]>("SELECT name FROM sqlite_master WHERE type = 'table'");
  const rows = [];
  for (const { name } of tables) rows.push(await db(name));
  return JSON.stringify(rows);
}

/** A body of the right names with odd values, or something else altogether. */
function bodyFor(shape: Record<string, unknown>): fc.Arbitrary<unknown> {
  const names = Object.keys(shape);
  const some = fc.dictionary(fc.constantFrom(...(names.length > 0 ? names : ["x"])), odd, {
    maxKeys: names.length + 1,
  });
  return fc.oneof(some, odd);
}

/** Rows that any statement has changed since the database was opened, also those that were taken back. */
async function allChanges({ db }: TestServer): Promise<number | undefined> {
  return (await db.raw<{ n: number }[]>("SELECT total_changes() AS n"))[0]?.n;
}

describe("hostile requests", () => {
  it("are all refused in our words or answered, whatever they hold: no fault of the server", async () => {
    const server = await described();
    let [before, seen] = [await standing(server), await allChanges(server)];
    const endpoints = server.rooms.all.flatMap(({ routes }) => routes.map(({ endpoint }) => endpoint));
    for (const endpoint of endpoints) {
      const shape = endpoint.body && "shape" in endpoint.body ? (endpoint.body.shape as Record<string, unknown>) : {};
      await fc.assert(
        fc.asyncProperty(bodyFor(shape), inPath, odd, async (body, id, date) => {
          const path = endpoint.path.replace(/:\w+/g, id);
          const query =
            "date" in endpoint.query.shape
              ? `?date=${encodeURIComponent(Buffer.from(typeof date === "string" ? date : JSON.stringify(date)).toString()).slice(0, 200)}`
              : "";
          const response = await fetch(server.url + path + query, {
            method: endpoint.method.toUpperCase(),
            headers: { "Content-Type": "application/json" },
            ...(endpoint.body && { body: JSON.stringify(body) ?? "" }),
            signal: AbortSignal.timeout(HANGS_MS),
          });
          const text = await response.text();
          expect([`${endpoint.method} ${path}${query}`, response.status < 500]).toEqual([expect.any(String), true]);
          const changes = await allChanges(server);
          // Where no statement changed a row, all stands as it did; it is read only where one did.
          if (changes !== seen) {
            const after = await standing(server);
            if (response.status >= 400)
              expect([`${endpoint.method} ${path}`, after]).toEqual([`${endpoint.method} ${path}`, before]);
            [before, seen] = [after, changes];
          }
          if (response.status < 400) return;
          expect(response.headers.get("content-type")).toContain("application/problem+json");
          expect(text).not.toMatch(/zod|invalid_type|Invalid input|expected (string|number|object)|SQLITE|at \w+ \(/i);
        }),
        { numRuns: 25 },
      );
    }
    expect((await server.call("GET", "/api/set-up")).status).toBe(200);
    expect((await server.call("GET", "/api/board")).status).toBe(200);
  });
});
