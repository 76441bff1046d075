import { build, foreground, install } from "./prepare.mjs";

install();
build();
foreground("demo/dist/own-site.js");
