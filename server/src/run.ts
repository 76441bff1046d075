import { resolve } from "node:path";
import { diskFault, StartError } from "./database/disk-fault.ts";
import { FolderInUseError } from "./database/lock-folder.ts";
import type { RunningServer, ServerOptions } from "./start-server.ts";

/** Reads where to listen and the data folder from the environment. */
export function environment(
  defaultFolder: string,
): Pick<ServerOptions, "port" | "dataFolder" | "clock" | "logLevel" | "host" | "names"> {
  const {
    PORT = "5180",
    HOST = "127.0.0.1",
    SPRUNEL_NAMES = "",
    SPRUNEL_DATA = defaultFolder,
    SPRUNEL_NOW,
    SPRUNEL_LOG = "warn",
  } = process.env;
  const port = Number(PORT);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`PORT must be a whole number from 0 to 65535, not "${PORT}".`);
  const fixed = SPRUNEL_NOW === undefined ? undefined : Date.parse(SPRUNEL_NOW);
  if (fixed !== undefined && !Number.isFinite(fixed))
    throw new Error(`SPRUNEL_NOW must be an instant as 2026-06-15T08:24:00Z, not "${SPRUNEL_NOW}".`);
  return {
    port,
    host: HOST,
    names: SPRUNEL_NAMES.split(/[\s,]+/).filter(Boolean),
    dataFolder: resolve(SPRUNEL_DATA),
    logLevel: SPRUNEL_LOG,
    ...(fixed !== undefined && { clock: () => fixed }),
  };
}

/** Serves until the process is asked to stop, then ends in order. */
export async function serve(start: () => Promise<RunningServer>): Promise<void> {
  try {
    const server = await start();
    let stopping = false;
    const stop = (): void => {
      if (stopping) return;
      stopping = true;
      server.stop().then(
        () => process.exit(0),
        (error: unknown) => {
          console.error(inWords(error));
          process.exit(1);
        },
      );
    };
    process.once("SIGINT", stop).once("SIGTERM", stop);
    // Whoever waits for this line may stop the program at once.
    console.log(`Sprunel is ready: ${server.url}`);
    if (server.newCode !== null)
      console.log(`Other devices on this network type the code ${server.newCode} once; Set-up shows it again.`);
  } catch (error) {
    console.error(inWords(error));
    process.exit(1);
  }
}

/** What went wrong at the start, as whoever starts the program can mend it. */
export function inWords(error: unknown): string {
  if (error instanceof Error && "code" in error && error.code === "EADDRINUSE")
    return "The port is taken by another program. Name another one: PORT=5181 npm run demo";
  // Its own words know more, as which folder it is about.
  if (error instanceof StartError || error instanceof FolderInUseError) return error.message;
  const fault = diskFault(error);
  if (fault) return `${fault.words} (${String(error)})`;
  return error instanceof Error ? error.message.slice(0, 1000) : String(error);
}
