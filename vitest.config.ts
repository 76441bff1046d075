import { defineConfig } from "vitest/config";

// Only "source": Vitest hands these on to Node, where "import" would make require() find ES modules.
const resolve = { conditions: ["source"] };

/**
 * Makes one small change in a file, where `SPRUNEL_MUTANT` names one: the proof of mutation asks whether a test notices
 * (scripts/proof/mutation.mjs). Asked at every load, for one process tries many.
 */
const mutant = {
  name: "mutant",
  enforce: "pre" as const,
  transform(code: string, id: string) {
    const named = process.env["SPRUNEL_MUTANT"];
    if (named === undefined) return null;
    const { file, start, end, text } = JSON.parse(named) as { file: string; start: number; end: number; text: string };
    return id.endsWith(`/${file}`) ? code.slice(0, start) + text + code.slice(end) : null;
  },
};
const shared = { resolve, ssr: { resolve }, plugins: [mutant] };
/** Far beyond what any test takes: one that is slow on a busy machine does not fail. */
const LIMITS = { testTimeout: 240_000, hookTimeout: 240_000 };

export default defineConfig({
  test: {
    maxWorkers: 2,
    projects: [
      {
        ...shared,
        test: {
          name: "pure",
          include: ["{core,contract}/src/**/*.test.ts"],
          // Nothing is remembered between calls: the modules are loaded once for all files.
          isolate: false,
          ...LIMITS,
          setupFiles: ["./vitest.setup.ts"],
        },
      },
      {
        ...shared,
        test: {
          name: "node",
          include: ["{field,server,demo}/src/**/*.test.ts", "scripts/**/*.test.mjs"],
          isolate: false,
          ...LIMITS,
          globalSetup: ["./scripts/test-ground.mjs"],
          setupFiles: ["./vitest.setup.ts"],
        },
      },
      {
        ...shared,
        test: {
          name: "web",
          include: ["web/src/**/*.test.{ts,tsx}"],
          environment: "jsdom",
          // One page after the other in the same window: loading the component library anew for every file takes far longer.
          isolate: false,
          ...LIMITS,
          setupFiles: ["./vitest.setup.ts", "./web/src/testing/set-up.ts"],
        },
      },
    ],
  },
});
