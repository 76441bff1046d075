import { defineConfig } from "vitest/config";

// Only "source": Vitest hands these on to Node, where "import" would make require() find ES modules.
const resolve = { conditions: ["source"] };

export default defineConfig({
  resolve,
  ssr: { resolve },
  test: {
    include: ["{core,contract,field,server,demo,web}/src/**/*.test.{ts,tsx}", "scripts/**/*.test.mjs"],
    testTimeout: 30_000,
    setupFiles: ["./vitest.setup.ts"],
  },
});
