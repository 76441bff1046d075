import type { Router } from "express";
import { describe, expect, it } from "vitest";
import { z } from "zod";
import { routesOfProgram } from "../app.ts";
import { Access } from "./access.ts";
import { testServer } from "../testing/test-server.ts";
import { routesOf } from "./served.ts";

/** As much of OpenAPI as is looked at here; the contract lets the description be any object. */
const describedSchema = z.object({
  paths: z.record(
    z.string(),
    z.record(
      z.string(),
      z.object({
        parameters: z.array(z.object({ name: z.string(), in: z.string() })).optional(),
        responses: z.record(z.string(), z.unknown()),
      }),
    ),
  ),
  components: z.object({ schemas: z.record(z.string(), z.unknown()) }),
});

/** Every method and path that the router really answers, as the description writes them. */
function answered({ stack }: Router): string[] {
  return stack.flatMap(({ route }) =>
    route ? [...new Set(route.stack.map(({ method }) => `${method} ${route.path.replace(/:(\w+)/g, "{$1}")}`))] : [],
  );
}

describe("the description of the API", () => {
  it("names every route that is served, and no other", async () => {
    const { rooms, call } = await testServer();
    const { paths } = describedSchema.parse((await call("GET", "/api/openapi.json")).body);
    const described = Object.entries(paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method} ${path}`),
    );
    const routes = answered(
      routesOf(
        [
          ...rooms.all.flatMap((room) => room.routes),
          ...routesOfProgram({
            ...{ version: "1", background: { told: [] }, rooms: rooms.all },
            beside: [new Access({ host: "127.0.0.1", code: null }).endpoint(() => 0)],
          }),
        ],
        () => [],
      ),
    );
    expect(described.sort()).toEqual(routes.sort());
    expect(routes.length).toBeGreaterThan(60);
  });

  it("points only at schemas that it holds, and names every part of a path", async () => {
    const { call } = await testServer();
    const { body } = await call("GET", "/api/openapi.json");
    const { paths, components } = describedSchema.parse(body);
    const named = [...JSON.stringify(body).matchAll(/#\/components\/schemas\/(\w+)/g)].map(([, name]) => name);
    for (const name of named) expect(Object.keys(components.schemas)).toContain(name);
    for (const [path, methods] of Object.entries(paths))
      for (const { parameters = [] } of Object.values(methods)) {
        const inPath = parameters.filter((parameter) => parameter.in === "path").map(({ name }) => name);
        expect(inPath).toEqual([...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => name));
      }
  });

  it("tells of every path that takes a date that it does, and of an edit at a version that it may be stale", async () => {
    const { call } = await testServer();
    const { paths } = describedSchema.parse((await call("GET", "/api/openapi.json")).body);
    const dated = ["/api/board", "/api/water", "/api/zones/{id}/day", "/api/zones/{id}/roots", "/api/feed-costs"];
    for (const path of dated) expect(paths[path]?.["get"]?.parameters?.map(({ name }) => name)).toContain("date");
    for (const path of ["/api/zones/{id}", "/api/sources/{id}", "/api/zones/{id}/recipe"])
      expect(Object.keys(paths[path]?.["put"]?.responses ?? {})).toContain("409");
  });
});

describe("dates, times and ids of a request", () => {
  it.each([
    ["GET", "/api/water?date=0000-01-01"],
    ["GET", "/api/board?date=1899-12-31"],
    ["GET", "/api/zones/1/day?date=2201-01-01"],
    ["GET", "/api/zones/1/roots?date=9999-12-31"],
    ["GET", "/api/feed-costs?date=2026-02-30"],
    ["GET", "/api/zones/1/harvest?date="],
    ["GET", "/api/zones/0/day"],
    ["GET", "/api/zones/1e3/day"],
    ["GET", "/api/zones/99999999999999999999/day"],
    ["GET", "/api/zones/%00/day"],
  ])("outside the calendar or what an id can be are refused: %s %s", async (method, path) => {
    const { call } = await testServer();
    const answer = await call(method, path);
    expect([answer.status, answer.type]).toEqual([422, expect.stringContaining("problem+json")]);
    expect(answer.body.errors?.[0]?.message).toBeTruthy();
  });

  it("are refused in a body by their path, in our words", async () => {
    const { call } = await testServer();
    const reading = await call("POST", "/api/zones/1/readings", { at: "0001-01-01T00:00:00Z", drainPct: 20 });
    expect(reading.body.errors).toEqual([
      { path: "at", message: expect.stringContaining("years from 1900 to 2200") as string },
    ]);
    const report = await call("POST", "/api/water-reports", {
      sourceName: "Well",
      takenOn: "2201-01-01",
      ions: {},
      ph: 7,
      ecMsCm: null,
    });
    expect(report.body.errors).toEqual([
      { path: "takenOn", message: expect.stringContaining("1900-01-01 to 2200-12-31") as string },
    ]);
  });
});
