import { environment, serve } from "@sprunel/server";
import { startDemo } from "./demo-server.ts";

await serve(() => startDemo({ ...environment(".data/demo"), hear: (words) => console.log(words) }));
