import { SITE_FILE_VERSION } from "@sprunel/contract/exchange";
import { getZoneHarvest } from "@sprunel/contract/harvest";
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { describe, expect, it } from "vitest";
import { testServer } from "../../testing/test-server.ts";

type File = Record<string, unknown> & { readonly version: number; readonly zones: readonly OldZone[] };
type OldZone = Record<string, unknown> & { readonly plantings: readonly Record<string, unknown>[] };

/** The demo's site as the program of that time wrote it, with the first and last rows of its lists. */
function sample(name: string): File {
  const path = fileURLToPath(new URL(`./samples/quillbrook-${name}.json`, import.meta.url));
  return JSON.parse(readFileSync(path, "utf8")) as File;
}

async function readBack(file: object) {
  const server = await testServer();
  const answer = await server.call("POST", "/api/site-file", file);
  expect(answer.body["errors"] ?? []).toEqual([]);
  return { server, again: (await server.call("GET", "/api/site-file")).body as unknown as File };
}

describe("a site file of an older version", () => {
  it.each(["v2", "v2-last"])("is read with all that stands in it: %s", async (name) => {
    const file = sample(name);
    const { again } = await readBack(file);
    const { version, exportedAt: _at, ...held } = file;
    expect(version).toBe(2);
    expect(again.version).toBe(SITE_FILE_VERSION);
    expect(again).toMatchObject(held);
  });

  it("of version 1 is read with all that stands in it, an aim in kg where the crop is sold by mass", async () => {
    const file = sample("v1");
    const { server, again } = await readBack(file);
    const { version, exportedAt: _at, zones, ...held } = file;
    expect(version).toBe(1);
    expect(again).toMatchObject(held);
    const plantings = zones.map((zone) =>
      zone.plantings.map(({ targetKgM2, ...planting }) => ({
        ...planting,
        targetPerM2: ["lettuce-butterhead", "cyclamen"].includes(String(planting["cropId"])) ? null : targetKgM2,
      })),
    );
    expect(again.zones).toMatchObject(zones.map((zone, at) => ({ ...zone, plantings: plantings[at] })));
    const harvest = await server.answerTo(getZoneHarvest, { params: { id: 1 }, query: { date: "2026-06-20" } });
    expect(harvest.targetPerM2).toBe(7);
  });

  it("is told apart from one of a newer program, which is refused with what to do", async () => {
    const { call } = await testServer();
    const file = { ...sample("v2"), version: SITE_FILE_VERSION + 1 };
    const answer = await call("POST", "/api/site-file", file);
    expect([answer.status, answer.body.errors]).toEqual([
      422,
      [
        {
          path: "version",
          message: `The file is of version ${SITE_FILE_VERSION + 1}, and this program reads those up to ${SITE_FILE_VERSION}: update it.`,
        },
      ],
    ]);
    expect((await call("POST", "/api/site-file", { ...file, version: 0 })).status).toBe(422);
  });
});
