// Whether tests bite: seeded changes over core and server, each tried against the tests that are nearest to it.
import { fork } from "node:child_process";
import { fileURLToPath } from "node:url";
import { importers, isTest, nearestTests, sources } from "../import-graph.mjs";
import { root } from "../prepare.mjs";
import { drawn, mutantsOf } from "./mutants.mjs";

const SEED = Number(process.env.SPRUNEL_SEED ?? 20261201);
const COUNT = Number(process.env.SPRUNEL_MUTANTS ?? 200);
const WORKERS = 2;
/** A change may make a loop endless: then nothing comes back, and that is noticed too. */
const HANGS_MS = 150_000;
/** Of each group of `nearestTests`, so many files are tried. */
const MOST_FILES = [1, 8, 6, 6];
const MUTATED = /^(core|server)\/src\//;
/** Steps that a database has taken already, what tests stand on, and plain lists. */
const LEFT_OUT = /\/(testing|migrations)\/|for-tests|\/index\.ts$/;
const TARGET_PCT = 85;

/** `core/course`, the room of a file. */
const roomOf = (file) => file.replace("/src/", "/").split("/").slice(0, 2).join("/");

function batchesFor(graph, file) {
  const tests = nearestTests(graph, file).filter(({ test }) => !test.startsWith("web/") && !test.startsWith("demo/"));
  return MOST_FILES.map((most, group) =>
    tests
      .filter((found) => found.group === group)
      .slice(0, most)
      .map(({ test }) => test),
  ).filter((files) => files.length > 0);
}

/** A process that tries mutants; it is ended with all of its own when it hangs. */
async function runner() {
  const child = fork(fileURLToPath(new URL("./mutant-run.mjs", import.meta.url)), {
    cwd: root,
    detached: true,
    stdio: ["ignore", "ignore", process.env.SPRUNEL_LOUD ? "inherit" : "ignore", "ipc"],
    env: { ...process.env, NO_COLOR: "1" },
  });
  const end = () => {
    try {
      process.kill(-child.pid, "SIGKILL");
    } catch {
      // It has ended.
    }
  };
  process.once("exit", end);
  const answer = (ms) =>
    new Promise((resolve) => {
      const timer = setTimeout(() => resolve({ killedBy: "it hangs", hangs: true }), ms);
      child.once("message", (message) => {
        clearTimeout(timer);
        resolve(message);
      });
      child.once("exit", () => {
        clearTimeout(timer);
        resolve({ killedBy: "the process ended", hangs: true });
      });
    });
  await answer(HANGS_MS);
  return {
    end,
    try(mutant, batches) {
      const answered = answer(HANGS_MS);
      child.send({ mutant, batches });
      return answered;
    },
  };
}

/** Tests that must pass in a runner as they stand, or what it says of a change means nothing. */
const UNCHANGED = [["core/src/units/units.test.ts"], ["server/src/water/water.test.ts"]];

/** Tries the mutants and tells of each what became of it. */
export async function tried(mutants, tell = () => undefined) {
  const graph = importers();
  const results = [];
  const queue = [...mutants];
  await Promise.all(
    Array.from({ length: Math.min(WORKERS, mutants.length) }, async () => {
      let run = await runner();
      const { killedBy: fault } = await run.try(null, UNCHANGED);
      if (fault) throw new Error(`Without any change ${fault} fails in the runner.`);
      for (let mutant = queue.shift(); mutant; mutant = queue.shift()) {
        const start = performance.now();
        const { killedBy, hangs } = await run.try(mutant, batchesFor(graph, mutant.file));
        const result = { ...mutant, killedBy, ms: performance.now() - start };
        results.push(result);
        tell(result, results.length);
        if (hangs) {
          run.end();
          run = await runner();
        }
      }
      run.end();
    }),
  );
  return results;
}

const shown = ({ file, line, was, text }) =>
  `${file}:${line}  ${was.replace(/\s+/g, " ").slice(0, 60)}  →  ${text.replace(/\s+/g, " ").slice(0, 60)}`;

export async function mutation() {
  const files = sources().filter((file) => MUTATED.test(file) && !isTest(file) && !LEFT_OUT.test(file));
  const all = files.flatMap((file) => mutantsOf(file));
  const mutants = drawn(all, COUNT, SEED);
  console.log(`${mutants.length} of ${all.length} possible changes in ${files.length} files, seed ${SEED}`);
  const results = await tried(mutants, (result, at) =>
    console.log(
      `${at}. ${result.killedBy ? "noticed" : "SURVIVED"} ${(result.ms / 1000).toFixed(0)} s  ${shown(result)}${result.killedBy ? `  (${result.killedBy})` : ""}`,
    ),
  );
  const rooms = new Map();
  for (const { file, killedBy } of results) {
    const room = rooms.get(roomOf(file)) ?? { room: roomOf(file), tried: 0, noticed: 0 };
    rooms.set(room.room, { ...room, tried: room.tried + 1, noticed: room.noticed + (killedBy ? 1 : 0) });
  }
  const noticed = results.filter(({ killedBy }) => killedBy).length;
  console.table([...rooms.values()].sort((a, b) => a.room.localeCompare(b.room)));
  console.log("Not noticed:");
  for (const result of results.filter(({ killedBy }) => !killedBy)) console.log(`  ${shown(result)}`);
  const pct = (100 * noticed) / results.length;
  console.log(`${noticed} of ${results.length} changes were noticed: ${pct.toFixed(1)} % (at least ${TARGET_PCT})`);
  return pct >= TARGET_PCT;
}
