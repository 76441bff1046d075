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

/**
 * Starts the demo in a process of its own and kills it as soon as it says something.
 *
 * @returns everything it said
 */
async function killedAt(sign: string): Promise<string> {
  const main = fileURLToPath(new URL("../dist/main.js", import.meta.url));
  const child = spawn(process.execPath, [main], {
    env: { ...process.env, SPRUNEL_DATA: folder, PORT: "0", SPRUNEL_LOG: "silent" },
    stdio: ["ignore", "pipe", "inherit"],
  });
  let said = "";
  child.stdout.on("data", (chunk: Buffer) => {
    said += chunk.toString();
    if (said.includes(sign)) child.kill("SIGKILL");
  });
  await new Promise((resolve) => child.once("exit", resolve));
  return said;
}

const [, second, , , fifth] = zones.map(({ zone }) => zone.name);

describe("a first start of the demo that is killed", () => {
  it("leaves nothing double, wherever it was broken off", async () => {
    // At every other sign it is killed by `npm run proof kills`.
    const signs = [`Described ${fifth}`, `Made ninety days of ${second}`];
    for (const sign of signs) expect(await killedAt(sign)).not.toContain("is ready");
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
  });
});
