import { existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { DemoServer, QUILLBROOK } from "./demo-server.ts";
import { PORT } from "./port.ts";

/** Until no better day is looked for: else every copy would look for it again. */
async function settled(): Promise<void> {
  for (;;) {
    const answer = await fetch(`http://127.0.0.1:${PORT}/api/day-plan`);
    const { improving } = (await answer.json()) as { improving: boolean };
    if (!improving) return;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
}

/**
 * Makes Quillbrook once for all browser tests: lived on from its first morning, where the run has made that already
 * (`SPRUNEL_TEMPLATE`), else from nothing.
 */
export default async function quillbrook(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), "sprunel-quillbrook-"));
  const firstMorning = process.env["SPRUNEL_TEMPLATE"];
  const server = new DemoServer({ folder, copyOf: firstMorning && existsSync(firstMorning) ? firstMorning : null });
  await server.start();
  await settled();
  await server.stop();
  process.env[QUILLBROOK] = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}
