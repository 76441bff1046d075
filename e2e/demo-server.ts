import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { PORT } from "./playwright.config.ts";

export const NOW = "2026-06-20T08:24:00Z";
const root = fileURLToPath(new URL("..", import.meta.url));

/** The application as a person starts it, over a data folder that outlives its restarts. */
export class DemoServer {
  private readonly folder = mkdtempSync(join(tmpdir(), "sprunel-e2e-"));
  private child: ChildProcess | null = null;

  /** @param program the demo site, or the empty one of `npm start` */
  async start(program: "demo" | "own" = "demo"): Promise<void> {
    const child = spawn(process.execPath, [join(root, "demo/dist", program === "demo" ? "main.js" : "own-site.js")], {
      cwd: root,
      env: { ...process.env, PORT: String(PORT), SPRUNEL_DATA: this.folder, SPRUNEL_NOW: NOW },
      stdio: ["ignore", "pipe", "inherit"],
    });
    this.child = child;
    await new Promise<void>((resolve, reject) => {
      child.stdout.on("data", (chunk: Buffer) => {
        if (chunk.toString().includes("is ready")) resolve();
      });
      child.once("exit", (code) => reject(new Error(`the server ended with ${String(code)}`)));
    });
  }

  async stop(): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null) return;
    const gone = new Promise((resolve) => child.once("exit", resolve));
    child.kill("SIGTERM");
    await gone;
    this.child = null;
  }

  async remove(): Promise<void> {
    await this.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }
}
