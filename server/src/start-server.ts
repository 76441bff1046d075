import { existsSync } from "node:fs";
import type { AddressInfo } from "node:net";
import type { Duplex } from "node:stream";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { clockOf, localDate } from "@sprunel/core/time";
import type { Knex } from "knex";
import { pino } from "pino";
import { createApp } from "./app.ts";
import type { SteeredClock } from "./clock/module.ts";
import type { WeatherDevice } from "./climate/weather-device.ts";
import { lockFolder } from "./database/lock-folder.ts";
import { closeDatabase, openDatabase } from "./database/open-database.ts";
import { createRooms, type Rooms } from "./modules.ts";
import { BACKUPS, backupsIn } from "./database/backup.ts";
import { upkeep } from "./database/upkeep.ts";
import { Background } from "./background/background.ts";
import { PROGRAM, type Caller } from "./http/caller.ts";
import { Incoming } from "./exchange/site-file/incoming.ts";
import { growth } from "./crop/growth.ts";
import { Access, accessCode, isLoopback, spaced, type AccessOptions } from "./http/access.ts";
import { dropCheckpoints } from "./plan/rests-on.ts";
import { createPool, type Pool } from "./pool/pool.ts";
import { Cache } from "./scope/cache.ts";
import { createScope, type OpenSite, type Scope } from "./scope/scope.ts";

export const VERSION = "0.1.0";
const WEB_FOLDER = fileURLToPath(new URL("../../web/dist", import.meta.url));
/** How long a stop waits for requests that are under way. */
const STOP_PATIENCE_MS = 5000;
/** So often the day of all zones is held against weather and readings that came in. */
const FOLLOW_DAY_MS = 5 * 60_000;

export interface ServerOptions {
  readonly dataFolder: string;
  /** 0 takes any free port */
  readonly port: number;
  /** the address to listen on; others than this machine are let in with a code only */
  readonly host?: string;
  /** further names under which the program may be asked for */
  readonly names?: readonly string[];
  /** whether a request comes from this machine, where its address does not tell */
  readonly isLocal?: AccessOptions["isLocal"];
  readonly clock?: () => number;
  /** a clock that whoever uses the program may steer; it takes the place of `clock` */
  readonly steered?: SteeredClock;
  readonly device?: WeatherDevice;
  /** for heavy sums, where several servers share one; each has its own when left out */
  readonly pool?: Pool;
  /** how far back the device is asked when a place is first described; nothing when left out */
  readonly followDays?: number;
  readonly logLevel?: string;
  /** whether the database is looked through at the start and copied every night */
  readonly kept?: boolean;
  /** runs when the database is open, before anything is served */
  readonly prepare?: (server: Prepared) => Promise<void>;
}

/** What a server is made of before it listens. */
export interface Prepared {
  readonly background: Background;
  readonly scope: Scope;
  readonly rooms: Rooms;
}

export interface RunningServer extends Prepared {
  readonly url: string;
  /** of the network, where it was made just now; null otherwise */
  readonly newCode: string | null;
  stop(): Promise<void>;
}

/** Opens the data folder and serves it on the loopback address until stopped. */
export async function startServer({
  dataFolder,
  port,
  host = "127.0.0.1",
  names = [],
  isLocal,
  steered,
  clock = steered ? () => steered.now() : Date.now,
  device,
  pool: shared,
  followDays = 0,
  logLevel = "info",
  kept = true,
  prepare,
}: ServerOptions): Promise<RunningServer> {
  const log = pino({ level: logLevel });
  const background = new Background(log);
  const unlock = lockFolder(dataFolder);
  const pool = shared ?? createPool();
  const closePool = async (): Promise<void> => {
    if (!shared) await pool.close();
  };
  let db: Knex | undefined;
  try {
    db = await openDatabase(dataFolder);
    const site: OpenSite = {
      ...{ db, clock, pool, cache: new Cache(), forget: dropCheckpoints },
      grow: (zones, inner) => grow(zones, inner),
    };
    const incoming = new Incoming(dataFolder);
    const roomsFor = (caller: Caller): Rooms =>
      createRooms(createScope(site, caller), {
        ...{ device: device ?? null, followDays, steered: steered ?? null, dataFolder, incoming },
        beside: (what, work) => background.beside(what, work),
      });
    const scope = createScope(site, PROGRAM);
    const rooms = roomsFor(PROGRAM);
    const grow = growth(rooms.climate.weather);
    await prepare?.({ scope, rooms, background });
    const made = isLoopback(host) ? null : accessCode(dataFolder);
    let listening = port;
    const access = new Access({ host, names, code: made?.code ?? null, ...(isLocal && { isLocal }) });
    const app = createApp({
      access,
      port: () => listening,
      modulesFor: (caller) => roomsFor(caller).all,
      background,
      log,
      version: VERSION,
      webFolder: existsSync(WEB_FOLDER) ? WEB_FOLDER : undefined,
    });
    const server = app.listen(port, host);
    await new Promise<void>((resolve, reject) => server.once("listening", resolve).once("error", reject));
    listening = (server.address() as AddressInfo).port;
    server.on("clientError", refuseUnreadable);
    const open = db;
    if (kept) {
      background.every("the day's plan", FOLLOW_DAY_MS, () => rooms.day.days.follow());
      background.beside("the database", (signal) => upkeep({ kind: "check", dataFolder }, signal));
      background.every("the nightly backup", LOOK_FOR_NIGHT_MS, (signal) =>
        backUpNightly(dataFolder, scope, Date.now(), signal),
      );
    }
    return {
      url: `http://${isLoopback(host) || host === "0.0.0.0" || host === "::" ? "127.0.0.1" : host}:${listening}`,
      newCode: made?.isNew ? spaced(made.code) : null,
      scope,
      rooms,
      background,
      async stop() {
        await background.stop();
        const closed = new Promise<void>((resolve) => server.close(() => resolve()));
        server.closeIdleConnections();
        const impatience = setTimeout(() => server.closeAllConnections(), STOP_PATIENCE_MS);
        await closed;
        clearTimeout(impatience);
        await closePool();
        await closeDatabase(open);
        unlock();
      },
    };
  } catch (error) {
    await closePool();
    await db?.destroy();
    unlock();
    throw error;
  }
}

const LOOK_FOR_NIGHT_MS = 10 * 60_000;
/** The site's hour from which on the day's copy is made. */
const NIGHT_HOUR = 2;

/** Copies the database once a night: at the first look after two o'clock at the site, unless the day has a copy. */
export async function backUpNightly(
  dataFolder: string,
  scope: Pick<Scope, "site">,
  nowMs: number,
  signal?: AbortSignal,
): Promise<void> {
  const site = await scope.site.find();
  if (!site) return;
  const to = join(dataFolder, BACKUPS);
  const { date, clockS } = clockOf(nowMs, site.timeZone);
  if (clockS < NIGHT_HOUR * 3600) return;
  const newest = backupsIn(to).at(-1);
  const at = newest && /\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d/.exec(newest)?.[0].replace(/T(\d\d)-(\d\d)-/, "T$1:$2:");
  if (at && localDate(Date.parse(`${at}Z`), site.timeZone) >= date) return;
  await upkeep({ kind: "backup", dataFolder, to, nowMs }, signal);
}

/** What is no request of HTTP at all is refused in our words too. */
function refuseUnreadable(error: NodeJS.ErrnoException, socket: Duplex): void {
  if (error.code === "ECONNRESET" || !socket.writable) return;
  const isLong = error.code === "HPE_HEADER_OVERFLOW";
  const problem = {
    type: "/problems/bad-request",
    title: isLong ? "Too long" : "Not readable",
    status: isLong ? 431 : 400,
    detail: isLong ? "The head of the request is too long." : "This is no request that can be read.",
  };
  const body = JSON.stringify(problem);
  socket.end(
    `HTTP/1.1 ${problem.status} ${problem.title}\r\nContent-Type: application/problem+json\r\nContent-Length: ${Buffer.byteLength(body)}\r\nConnection: close\r\n\r\n${body}`,
  );
}
