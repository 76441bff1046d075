import { existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { DemoServer, QUILLBROOK } from "./demo-server.ts";

/**
 * Makes Quillbrook once for all browser tests: lived on from its first morning, where the run has made that already
 * (`SPRUNEL_TEMPLATE`), else from nothing.
 */
export default async function quillbrook(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), "sprunel-quillbrook-"));
  const firstMorning = process.env["SPRUNEL_TEMPLATE"];
  const server = new DemoServer({ folder, copyOf: firstMorning && existsSync(firstMorning) ? firstMorning : null });
  await server.start();
  await server.stop();
  process.env[QUILLBROOK] = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}
