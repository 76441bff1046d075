import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { afterAll, describe, expect, it } from "vitest";
import { startDemo } from "./demo-server.ts";
import { reports, zoneReports } from "./laboratory.ts";
import { sources, zones } from "./quillbrook.ts";
import { FIRST_MS } from "./story.ts";

const folder = mkdtempSync(join(tmpdir(), "sprunel-first-start-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Starts the demo in a process of its own and kills it after a while. */
async function killedAfter(ms: number): Promise<void> {
  const main = fileURLToPath(new URL("./main.ts", import.meta.url));
  const child = spawn(process.execPath, ["--conditions=source", "--import", "tsx", main], {
    env: { ...process.env, SPRUNEL_DATA: folder, PORT: "0", SPRUNEL_LOG: "silent" },
    stdio: "ignore",
  });
  const gone = new Promise((resolve) => child.once("exit", resolve));
  await new Promise((resolve) => setTimeout(resolve, ms));
  child.kill("SIGKILL");
  await gone;
}

describe("a first start of the demo that is killed", () => {
  it("leaves nothing double, wherever it was broken off", async () => {
    for (const ms of [1500, 2200, 2800, 3600, 5000]) await killedAfter(ms);
    const server = await startDemo({ dataFolder: folder, port: 0, logLevel: "silent", clock: () => FIRST_MS });
    const { db } = server.scope;
    expect([await db("source"), await db("zone"), await db("water_report")].map((rows) => rows.length)).toEqual([
      sources.length,
      zones.length,
      reports.length,
    ]);
    expect(await db("zone_report")).toHaveLength(Object.values(zoneReports).flat().length);
    expect(await db("source_dose")).toHaveLength(
      new Set((await db("source_dose").select("key")).map((row: { key: string }) => row.key)).size,
    );
    await server.stop();
  }, 120_000);
});
