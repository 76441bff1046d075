// Plain Node, runnable before anything is installed: makes a checkout ready and says what it does.
import { execFileSync, spawn, spawnSync } from "node:child_process";
import { existsSync, readdirSync, statSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
const npm = process.platform === "win32" ? "npm.cmd" : "npm";

/** Of the native compiler; by its place, for lint's parser brings a `tsc` too. */
export const tsc = join(root, "node_modules/typescript-7/bin/tsc");
/** Checks types and builds what is older than its sources; one checker a project takes the least work and memory. */
export const typesAndBuild = [process.execPath, tsc, "-b", "--builders", "2", "--checkers", "1"];

/** Newest change below a path, in ms; 0 when there is nothing. */
function newest(path) {
  if (!existsSync(path)) return 0;
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path)
    .filter((name) => !["node_modules", "dist", ".types"].includes(name))
    .reduce((latest, name) => Math.max(latest, newest(join(path, name))), 0);
}

function run([file, ...args], what) {
  console.log(what);
  execFileSync(file, args, { cwd: root, stdio: ["ignore", "inherit", "inherit"] });
}

/** @throws where it fails, in what it said itself */
function runBeside([file, ...args], what) {
  console.log(what);
  const child = spawn(file, args, { cwd: root, stdio: ["ignore", "inherit", "inherit"] });
  return new Promise((resolve, reject) => {
    child.once("error", reject);
    child.once("exit", (code) =>
      code === 0 ? resolve() : reject(new Error(`${what.replace(" …", "")} failed (${[file, ...args].join(" ")}).`)),
    );
  });
}

/** Installs the packages when the lock file is newer than the last install. */
export function install() {
  if (newest(join(root, "node_modules/.package-lock.json")) >= newest(join(root, "package-lock.json"))) return;
  run([npm, "ci", "--no-audit", "--no-fund", "--loglevel=error"], "Installing packages …");
}

/** Only builds: whoever wants to use the program need not wait until all types are checked. */
const buildUnchecked = [...typesAndBuild, "--noCheck"];

/** Builds what is older than its sources, server and pages beside each other; the pages only where they are wanted. */
export async function build({ web = true } = {}) {
  const packages = ["core", "contract", "field", "server", "demo"];
  const configs = newest(join(root, "tsconfig.base.json"));
  const stale = (name) => {
    const built = newest(join(root, name, "dist/.tsbuildinfo"));
    return built < Math.max(newest(join(root, name, "src")), newest(join(root, name, "tsconfig.json")), configs);
  };
  const sources = ["core", "contract", "web"].map((name) => newest(join(root, name)));
  const staleWeb = newest(join(root, "web/dist/index.html")) < Math.max(...sources);
  await Promise.all([
    packages.some(stale) && runBeside([...buildUnchecked, ...packages], "Building the server …"),
    web && staleWeb && runBeside([npm, "run", "build", "-w", "web", "--silent"], "Building the web application …"),
  ]);
}

const CHROMIUM = "/usr/bin/chromium";

/** Debian's Chromium, where there is none yet; only root can install it. */
export function chromium() {
  const ask = (...args) => spawnSync("apt-get", args, { encoding: "utf8" });
  const install = ["install", "-y", "-q", "--no-install-recommends", "chromium"];
  if (existsSync(CHROMIUM)) return { ok: true };
  let { stdout, stderr } = ask(...install);
  if (!existsSync(CHROMIUM)) {
    ask("update", "-q");
    ({ stdout, stderr } = ask(...install));
  }
  return {
    ok: existsSync(CHROMIUM),
    said: existsSync(CHROMIUM) ? "installed from Debian's packages" : `${stdout}${stderr}`,
  };
}

/** Runs a Node program in the foreground and ends as it ends. */
export function foreground(file, args = [], given = []) {
  const child = spawn(process.execPath, [...args, join(root, file), ...given], { cwd: root, stdio: "inherit" });
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => child.kill(signal));
  child.on("exit", (code, signal) => process.exit(code ?? (signal ? 1 : 0)));
}
