import { expect, it } from "vitest";
import { importers, nearestTests } from "./import-graph.mjs";

it("the tests nearest to a file are the one beside it, its room's, the room's of that name elsewhere, then the others", () => {
  const graph = new Map([
    ["core/src/water/acid.ts", ["core/src/water/acid.test.ts", "core/src/water/index.ts"]],
    [
      "core/src/water/index.ts",
      ["core/src/water/mix.test.ts", "server/src/water/water.test.ts", "server/src/plan/plan.ts"],
    ],
    ["server/src/plan/plan.ts", ["server/src/plan/plan.test.ts"]],
    ["core/src/feed/feed.ts", ["core/src/feed/feed.test.ts"]],
  ]);
  expect(nearestTests(graph, "core/src/water/acid.ts").map(({ test, group }) => [test, group])).toEqual([
    ["core/src/water/acid.test.ts", 0],
    ["core/src/water/mix.test.ts", 1],
    ["server/src/water/water.test.ts", 2],
    ["server/src/plan/plan.test.ts", 3],
  ]);
});

it("imports are found inside a room and by a room's name", () => {
  const graph = importers();
  expect(graph.get("core/src/irrigation/lateral.ts")).toContain("core/src/irrigation/lateral.test.ts");
  expect(graph.get("core/src/time/index.ts")?.some((file) => file.startsWith("server/src/"))).toBe(true);
});
