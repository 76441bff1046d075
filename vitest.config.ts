import { defineConfig } from "vitest/config";

const resolve = { conditions: ["source", "node", "import", "default"] };

export default defineConfig({
  resolve,
  ssr: { resolve },
  test: {
    include: ["{core,contract,field,server,demo,web}/src/**/*.test.{ts,tsx}", "scripts/**/*.test.mjs"],
    testTimeout: 30_000,
  },
});
