// Runs commands as named steps, several beside each other, and keeps how long each took and whether it passed.
import { spawn } from "node:child_process";
import { delimiter, join } from "node:path";
import { root } from "./prepare.mjs";

/** What installed packages bring is found by its name. */
const PATH = [join(root, "node_modules/.bin"), process.env.PATH].join(delimiter);

const seconds = (ms) => `${(ms / 1000).toFixed(0)} s`;

export class Steps {
  /** `{ name, ok, ms }` in the order in which they ended */
  ended = [];

  /**
   * Runs a command at the root of the project.
   *
   * @param options.quiet prints what it says in one piece at its end, for steps that run beside others
   * @param options.env added to the environment
   * @returns whether it passed
   */
  async run(name, [file, ...args], options = {}) {
    return this.time(name, () => command(file, args, options));
  }

  /** Times any work; `work` answers `{ ok, said }`, or throws, which is a failure. */
  async time(name, work) {
    const start = performance.now();
    let ok = false;
    let said = "";
    try {
      ({ ok, said = "" } = await work());
    } catch (error) {
      said = String(error instanceof Error ? error.stack : error);
    }
    const ms = performance.now() - start;
    this.ended.push({ name, ok, ms });
    console.log(`\n— ${name}: ${ok ? "passed" : "FAILED"} after ${seconds(ms)}${said ? `\n${said.trimEnd()}` : ""}`);
    return ok;
  }

  print() {
    console.log("\n— time of each step");
    console.table(
      this.ended.map(({ name, ok, ms }) => ({ step: name, time: seconds(ms), result: ok ? "" : "FAILED" })),
    );
  }
}

/** A command at the root of the project, to its end; ended itself when this process is. */
export function command(file, args, { quiet = false, env = {} } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(file, args, {
      cwd: root,
      env: { ...process.env, PATH, ...env },
      stdio: quiet ? ["ignore", "pipe", "pipe"] : ["ignore", "inherit", "inherit"],
    });
    let said = "";
    for (const stream of [child.stdout, child.stderr]) stream?.on("data", (chunk) => (said += chunk));
    const end = () => child.kill("SIGTERM");
    process.once("exit", end);
    child.once("error", reject);
    child.once("exit", (code) => {
      process.off("exit", end);
      resolve({ ok: code === 0, said });
    });
  });
}

/** The slowest files of a run, slowest first. */
export function printSlowest(files, most = 10) {
  const slowest = [...files].sort((a, b) => b.ms - a.ms).slice(0, most);
  console.log(`\n— the ${most} slowest files`);
  console.table(slowest.map(({ file, ms }) => ({ file, time: `${(ms / 1000).toFixed(1)} s` })));
}
