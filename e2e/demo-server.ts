import { spawn, type ChildProcess } from "node:child_process";
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";
import { fileURLToPath } from "node:url";
import { PORT } from "./port.ts";

export const NOW = "2026-06-20T08:24:00Z";
const root = fileURLToPath(new URL("..", import.meta.url));
/** Names the folder of the Quillbrook that was made for all tests. */
export const QUILLBROOK = "SPRUNEL_E2E_QUILLBROOK";
/** Where the demo keeps its own time: left out of a copy, the nursery lives on to `NOW`. */
const CLOCK_FILE = "clock.json";

interface Options {
  /** of its data; a new one when left out, removed at the end */
  readonly folder?: string;
  /** a data folder to begin from; for the demo that which was made for all tests, null for none */
  readonly copyOf?: string | null;
}

/** The application as a person starts it, over a data folder that outlives its restarts. */
export class DemoServer {
  private readonly folder: string;
  private readonly copyOf: string | null;
  private child: ChildProcess | null = null;
  private isFresh = true;

  constructor({ folder, copyOf = process.env[QUILLBROOK] ?? null }: Options = {}) {
    this.folder = folder ?? mkdtempSync(join(tmpdir(), "sprunel-e2e-"));
    this.copyOf = copyOf;
  }

  /** @param program the demo site, or the empty one of `npm start` */
  async start(program: "demo" | "own" = "demo"): Promise<void> {
    if (this.isFresh && program === "demo" && this.copyOf !== null)
      cpSync(this.copyOf, this.folder, { recursive: true, filter: (file) => basename(file) !== CLOCK_FILE });
    this.isFresh = false;
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
