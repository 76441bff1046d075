// For those who build it: the demo server, rebuilt and restarted by hand, behind Vite's own that renews the page at once.
import { spawn } from "node:child_process";
import { join } from "node:path";
import { build, install, root } from "./prepare.mjs";

install();
build();
const children = [
  spawn(process.execPath, [join(root, "demo/dist/main.js")], { cwd: root, stdio: "inherit" }),
  spawn("npx", ["--no-install", "vite"], { cwd: join(root, "web"), stdio: "inherit" }),
];
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => children.forEach((child) => child.kill(signal)));
