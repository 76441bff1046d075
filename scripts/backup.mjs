import { build, foreground, install } from "./prepare.mjs";

install();
await build();
foreground("server/dist/upkeep-main.js", [], ["backup", ...process.argv.slice(2)]);
