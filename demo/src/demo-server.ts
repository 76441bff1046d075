import {
  atOnceOnDisk,
  lockFolder,
  startServer,
  type Prepared,
  type RunningServer,
  type ServerOptions,
} from "@sprunel/server";
import { existsSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { DemoClock } from "./demo-clock.ts";
import { live } from "./history.ts";
import { setUpQuillbrook } from "./set-up.ts";
import { simulatedDevice } from "./simulated-device.ts";
import { FIRST_MS, HISTORY_DAYS } from "./story.ts";

const DAY_MS = 86_400_000;
/** Days before the history that fill its first gaps. */
const FILL_DAYS = 7;
/** The nursery goes on whenever so much of its own time is over. */
const STEP_MS = 10 * 60_000;
/** How often that is looked at. */
const LOOK_MS = 1000;
/** What is removed when it begins anew: nothing but what this program wrote. */
const FILES = ["sprunel.db", "sprunel.db-wal", "sprunel.db-shm", "clock.json"];

/** There while the nursery is set up: what stops in the midst of it begins anew, and nothing is there twice. */
const SETTING_UP = "setting-up";

/** @param clock stands still at its instant where one is given, until somebody steers it */
type Options = Pick<ServerOptions, "dataFolder" | "port" | "logLevel" | "clock" | "host" | "names"> & {
  /** real time, where it is not this machine's */
  readonly real?: () => number;
  /** hears what is being made, while nothing is served yet */
  readonly hear?: (words: string) => void;
};

/** Quillbrook served, with a past that its simulator made and a clock of its own. */
export async function startDemo({
  clock: standing,
  real = Date.now,
  hear = () => undefined,
  ...options
}: Options): Promise<RunningServer> {
  let running = await begin(options.port);
  let beginning: Promise<void> = Promise.resolve();

  async function begin(port: number): Promise<RunningServer> {
    forgetHalf(options.dataFolder);
    const clock = new DemoClock({
      file: join(options.dataFolder, "clock.json"),
      firstMs: standing?.() ?? FIRST_MS,
      firstPace: standing ? "paused" : "real",
      real,
      startAgain: () => {
        beginning = beginning
          .then(again)
          .catch((error: unknown) => running.background.trouble("starting again", error));
      },
    });
    let doneMs = 0;
    let isServing = false;
    const goOn = async (server: Prepared): Promise<void> => {
      doneMs = clock.save();
      await server.rooms.climate.followStation(doneMs - (HISTORY_DAYS + FILL_DAYS) * DAY_MS);
      await live(server, doneMs, isServing ? undefined : hear);
      await server.rooms.day.days.follow();
    };
    const server = await startServer({
      ...options,
      port,
      kept: false,
      steered: clock,
      device: simulatedDevice(false),
      async prepare(prepared) {
        if (!(await prepared.scope.site.find())) {
          const mark = join(options.dataFolder, SETTING_UP);
          writeFileSync(mark, "");
          await atOnceOnDisk(prepared.scope.db, () => setUpQuillbrook(prepared, hear));
          rmSync(mark);
        }
        await atOnceOnDisk(prepared.scope.db, () => goOn(prepared));
      },
    });
    isServing = true;
    server.background.every("the made-up nursery", LOOK_MS, async () => {
      if (Math.floor(clock.now() / STEP_MS) !== Math.floor(doneMs / STEP_MS)) await goOn(server);
    });
    return {
      ...server,
      async stop() {
        await server.background.stop();
        clock.save();
        await server.stop();
      },
    };
  }

  async function again(): Promise<void> {
    const { port } = new URL(running.url);
    await running.stop();
    for (const file of FILES) rmSync(join(options.dataFolder, file), { force: true });
    running = await begin(Number(port));
  }

  return {
    ...running,
    async stop() {
      await beginning;
      await running.stop();
    },
  };
}

/** Removes what a first start left that was ended in the midst of setting up; nobody can have typed anything into it. */
function forgetHalf(folder: string): void {
  if (!existsSync(join(folder, SETTING_UP))) return;
  const unlock = lockFolder(folder);
  for (const file of [...FILES, SETTING_UP]) rmSync(join(folder, file), { force: true });
  unlock();
}
