import { existsSync } from "node:fs";
import type { AddressInfo } from "node:net";
import { fileURLToPath } from "node:url";
import type { Knex } from "knex";
import { pino } from "pino";
import { createApp } from "./app.ts";
import type { WeatherDevice } from "./climate/weather-device.ts";
import { lockFolder } from "./database/lock-folder.ts";
import { closeDatabase, openDatabase } from "./database/open-database.ts";
import { createServices, type Services } from "./services.ts";

export const VERSION = "0.1.0";
const WEB_FOLDER = fileURLToPath(new URL("../../web/dist", import.meta.url));
/** How long a stop waits for requests that are under way. */
const STOP_PATIENCE_MS = 5000;

export interface ServerOptions {
  readonly dataFolder: string;
  /** 0 takes any free port */
  readonly port: number;
  readonly clock?: () => number;
  readonly device?: WeatherDevice;
  /** how far back the device is asked when a place is first described; nothing when left out */
  readonly followDays?: number;
  readonly logLevel?: string;
  /** runs when the database is open, before anything is served */
  readonly prepare?: (db: Knex, services: Services) => Promise<void>;
}

export interface RunningServer {
  readonly url: string;
  readonly services: Services;
  readonly db: Knex;
  stop(): Promise<void>;
}

/** Opens the data folder and serves it on the loopback address until stopped. */
export async function startServer({
  dataFolder,
  port,
  clock = Date.now,
  device,
  followDays = 0,
  logLevel = "info",
  prepare,
}: ServerOptions): Promise<RunningServer> {
  const log = pino({ level: logLevel });
  const unlock = lockFolder(dataFolder);
  let db: Knex | undefined;
  try {
    db = await openDatabase(dataFolder);
    const services = createServices(db, clock, device ?? null, followDays);
    await prepare?.(db, services);
    const app = createApp({
      services,
      log,
      version: VERSION,
      webFolder: existsSync(WEB_FOLDER) ? WEB_FOLDER : undefined,
    });
    const server = app.listen(port, "127.0.0.1");
    await new Promise<void>((resolve, reject) => server.once("listening", resolve).once("error", reject));
    const open = db;
    return {
      url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
      services,
      db,
      async stop() {
        const closed = new Promise<void>((resolve) => server.close(() => resolve()));
        server.closeIdleConnections();
        const impatience = setTimeout(() => server.closeAllConnections(), STOP_PATIENCE_MS);
        await closed;
        clearTimeout(impatience);
        await closeDatabase(open);
        unlock();
      },
    };
  } catch (error) {
    await db?.destroy();
    unlock();
    throw error;
  }
}
