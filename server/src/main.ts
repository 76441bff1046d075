import { environment, serve } from "./run.ts";
import { startServer } from "./start-server.ts";

/** The server alone, without a weather station. */
await serve(() => startServer(environment(".data/own")));
