import { build, foreground, install } from "./prepare.mjs";

install();
await build();
foreground("demo/dist/own-site.js");
