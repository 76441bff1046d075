import { defineConfig } from "vitest/config";

// Only "source": Vitest hands these on to Node, where "import" would make require() find ES modules.
const resolve = { conditions: ["source"] };
const shared = { resolve, ssr: { resolve } };

export default defineConfig({
  test: {
    projects: [
      {
        ...shared,
        test: {
          name: "node",
          maxWorkers: 2,
          include: ["{core,contract,field,server,demo}/src/**/*.test.ts", "scripts/**/*.test.mjs"],
          testTimeout: 30_000,
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
          maxWorkers: 2,
          testTimeout: 30_000,
          setupFiles: ["./vitest.setup.ts", "./web/src/testing/set-up.ts"],
        },
      },
    ],
  },
});
