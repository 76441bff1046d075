import { defineConfig } from "vitest/config";

// Only "source": Vitest hands these on to Node, where "import" would make require() find ES modules.
const resolve = { conditions: ["source"] };
const shared = { resolve, ssr: { resolve } };
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
