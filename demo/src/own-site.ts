import { environment, serve, startServer, type RunningServer } from "@sprunel/server";
import { simulatedDevice } from "./simulated-device.ts";

const DAY_MS = 86_400_000;
/** How far back the simulated station has measured when a site is first described: enough to fill gaps from. */
const PAST_DAYS = 10;
const GO_ON_MS = 5 * 60_000;

/** A person's own site, empty at first. Until a file is imported its weather is the simulated station's, and said to be. */
async function start(): Promise<RunningServer> {
  const options = environment(".data/own");
  const clock = options.clock ?? Date.now;
  const server = await startServer({ ...options, device: simulatedDevice(true), followDays: PAST_DAYS });
  const goOn = (): Promise<void> => server.rooms.climate.followStation(clock() - PAST_DAYS * DAY_MS);
  await server.background.once("the weather station", goOn);
  server.background.every("the weather station", GO_ON_MS, goOn);
  return server;
}

await serve(start);
