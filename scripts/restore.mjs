import { build, foreground, install } from "./prepare.mjs";

install();
await build();
foreground("server/dist/upkeep-main.js", [], ["restore", ...process.argv.slice(2)]);
