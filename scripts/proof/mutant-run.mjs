// Runs tests against one mutant after the other, as its parent sends them; modules that did not change stay loaded.
import { createVitest } from "vitest/node";
import { root } from "../prepare.mjs";

const quiet = { onInit: () => undefined };
const vitest = await createVitest("test", {
  root,
  watch: false,
  bail: 1,
  maxWorkers: 1,
  fileParallelism: false,
  reporters: [quiet],
  project: ["pure", "node"],
});
await vitest.standalone();

process.on("message", async ({ mutant, batches }) => {
  // Read by the plugin in vitest.config.ts, in this process.
  if (mutant) process.env.SPRUNEL_MUTANT = JSON.stringify(mutant);
  if (mutant) vitest.invalidateFile(`${root}/${mutant.file}`);
  let killedBy = null;
  for (const files of batches) {
    const specs = files.flatMap((file) => vitest.getModuleSpecifications(`${root}/${file}`));
    vitest.state.clearErrors();
    const { testModules, unhandledErrors } = await vitest.runTestSpecifications(specs);
    // What is told of includes what ran for the mutants before.
    const ran = new Set(specs.map(({ moduleId }) => moduleId));
    const failed = testModules.find((module) => ran.has(module.moduleId) && !module.ok());
    if (failed || unhandledErrors.length > 0) killedBy = failed?.relativeModuleId ?? "an error outside of tests";
    if (killedBy) break;
  }
  delete process.env.SPRUNEL_MUTANT;
  if (mutant) vitest.invalidateFile(`${root}/${mutant.file}`);
  process.send({ killedBy });
});
process.send({ ready: true });
