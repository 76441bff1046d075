import { main } from "./run.ts";

await main();
