import { build, foreground, install } from "./prepare.mjs";

install();
build();
foreground("server/dist/main.js");
