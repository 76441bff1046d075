import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { freshPlanting, type NewSite, type NewZone } from "@sprunel/contract/site";
import { addressOf, type Endpoint } from "@sprunel/contract/basics";
import type { Knex } from "knex";
import type { z } from "zod";
import { inject, onTestFinished } from "vitest";
import type { WeatherDevice } from "../climate/weather-device.ts";
import type { SteeredClock } from "../clock/module.ts";
import { DATABASE_FILE } from "../database/open-database.ts";
import { createPool, type Pool } from "../pool/pool.ts";
import { startServer, type RunningServer } from "../start-server.ts";

export const site: NewSite = {
  name: "Testing Hill",
  latitudeDeg: 43.4,
  longitudeDeg: -1.5,
  elevationM: 60,
  timeZone: "Europe/Paris",
  unitSystem: "metric",
  currency: "EUR",
  pumpLh: null,
  kwhPrice: null,
  dateForm: "dmy",
};

export const zone: NewZone = {
  name: "Tunnel 1",
  house: { name: "Tunnel", transmissionPct: 60 },
  definition: {
    system: "soil-drip",
    areaM2: 500,
    plants: 500,
    flowLh: 4000,
    uniformityPct: 90,
    startAfterSunriseMin: 30,
    endBeforeSunsetMin: 60,
    minGapMin: 0,
    availableMmM: 150,
    wettedPct: 60,
    refillPct: 100,
    triggerPct: 5,
    ecWaterMsCm: 0.5,
    mulchSavesPct: 0,
  },
  unconfirmed: ["wettedPct"],
  waters: [],
  layout: null,
  demand: null,
  plantings: [freshPlanting("courgette", "2026-05-01")],
};

/** The same in bags with drippers, planted with melons. */
export const bags: NewZone = {
  ...zone,
  name: "Bags",
  definition: {
    system: "substrate",
    areaM2: 100,
    plants: 200,
    flowLh: 400,
    uniformityPct: 90,
    startAfterSunriseMin: 60,
    endBeforeSunsetMin: 60,
    minGapMin: 10,
    waterHeldLPlant: 5,
    easilyAvailablePct: 45,
    pulseSharePct: 4,
  },
  unconfirmed: [],
  plantings: [freshPlanting("melon-netted", "2026-04-25")],
};

export function newFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), "sprunel-test-"));
  onTestFinished(() => rmSync(folder, { recursive: true, force: true }));
  return folder;
}

declare module "vitest" {
  interface ProvidedContext {
    /** a database file of today's shape without a row, made once for all tests */
    emptyDatabase: string;
  }
}

let pool: Pool | undefined;

/** One for all servers of a test worker, of built code: from sources each would load it anew. It ends with its worker. */
function sharedPool(): Pool {
  pool ??= createPool(new URL("../../dist/pool/job.js", import.meta.url).href);
  return pool;
}

/** Lays an empty database of today's shape where there is none yet, so that it need not be made step by step. */
function layEmptyDatabase(folder: string): void {
  const file = join(folder, DATABASE_FILE);
  if (existsSync(file)) return;
  mkdirSync(folder, { recursive: true });
  copyFileSync(inject("emptyDatabase"), file);
}

/** What a test sends through an endpoint of the contract. */
interface Asking<P extends z.ZodObject, Q extends z.ZodObject, B extends z.ZodType> {
  readonly params?: Readonly<Partial<Record<keyof P["shape"] & string, string | number>>>;
  readonly query?: Readonly<Partial<Record<keyof Q["shape"] & string, string | undefined>>>;
  readonly body?: z.input<B>;
}

export interface TestServer extends RunningServer {
  readonly db: Knex;
  /** Asks through an endpoint of the contract; what is answered must be as it describes. */
  answerTo<P extends z.ZodObject, Q extends z.ZodObject, B extends z.ZodType, A extends z.ZodType>(
    endpoint: Endpoint<P, Q, B, A>,
    asking?: Asking<P, Q, B>,
  ): Promise<z.output<A>>;
  /** The answer's status and body; `body` may be anything, to try what is malformed. */
  call(
    method: string,
    path: string,
    body?: unknown,
  ): Promise<{
    status: number;
    type: string;
    body: Record<string, unknown> & { errors?: { path: string; message: string }[] };
  }>;
}

/** A server over a real database file, at a standing clock. */
export async function testServer(
  options: { folder?: string; now?: string; device?: WeatherDevice; steered?: SteeredClock; kept?: boolean } = {},
): Promise<TestServer> {
  const { folder = newFolder(), now = "2026-06-20T08:00:00Z", device, steered, kept = false } = options;
  layEmptyDatabase(folder);
  const server = await startServer({
    dataFolder: folder,
    pool: sharedPool(),
    port: 0,
    logLevel: process.env["SPRUNEL_LOG"] ?? "silent",
    kept,
    ...(steered ? { steered } : { clock: () => Date.parse(now) }),
    ...(device && { device }),
  });
  let stopped = false;
  const stop = async (): Promise<void> => {
    if (stopped) return;
    stopped = true;
    await server.stop();
  };
  onTestFinished(stop);
  const call: TestServer["call"] = async (method, path, body) => {
    const text = typeof body === "string" ? body : body === undefined ? null : JSON.stringify(body);
    const response = await fetch(server.url + path, {
      method,
      body: text,
      headers: { "Content-Type": "application/json" },
    });
    return {
      status: response.status,
      type: response.headers.get("content-type") ?? "",
      body: (await response.json()) as Record<string, unknown>,
    };
  };
  return {
    ...server,
    db: server.scope.db,
    stop,
    call,
    async answerTo(endpoint, { params = {}, query = {}, body } = {}) {
      const answer = await call(endpoint.method.toUpperCase(), addressOf(endpoint, params, query), body);
      if (answer.status !== endpoint.status)
        throw new Error(
          `${endpoint.method} ${endpoint.path} answered ${answer.status}: ${JSON.stringify(answer.body)}`,
        );
      return endpoint.answer.parse(answer.body);
    },
  };
}

/** For what a test knows to be there. */
export function absent(what: string): never {
  throw new Error(`${what} is not there`);
}

/** A shipped sample file as an import request. */
export function sampleFile(
  name: string,
  choices: object = {},
): { fileName: string; contentBase64: string; choices: object } {
  const path = fileURLToPath(new URL(`../../../demo/imports/${name}`, import.meta.url));
  return { fileName: name, contentBase64: readFileSync(path).toString("base64"), choices };
}
