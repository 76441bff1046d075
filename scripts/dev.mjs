// For those who build it: the demo server, built and started anew at every change, behind Vite's own that renews the page.
import { spawn } from "node:child_process";
import { join } from "node:path";
import { build, install, root, tsc } from "./prepare.mjs";

install();
await build({ web: false });
const children = [
  spawn(process.execPath, [tsc, "-b", "--watch", "--preserveWatchOutput", "demo"], { cwd: root, stdio: "inherit" }),
  // Watches what it has loaded of the built code: one change of the core is one start anew.
  spawn(process.execPath, ["--watch", "--watch-preserve-output", join(root, "demo/dist/main.js")], {
    cwd: root,
    stdio: "inherit",
  }),
  spawn("npx", ["--no-install", "vite"], { cwd: join(root, "web"), stdio: "inherit" }),
];
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => children.forEach((child) => child.kill(signal)));
