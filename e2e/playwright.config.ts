import { defineConfig } from "@playwright/test";
import { PORT } from "./port.ts";

export default defineConfig({
  testDir: ".",
  outputDir: "../test-results/e2e",
  globalSetup: "./quillbrook.ts",
  workers: 2,
  // Far beyond what any of them takes: one that is slow on a busy machine does not fail.
  timeout: 600_000,
  expect: { timeout: 60_000 },
  reporter: [["list"], ["json", { outputFile: "../test-results/e2e.json" }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: "/usr/bin/chromium", args: ["--no-sandbox", "--disable-background-networking"] },
    timezoneId: "America/New_York",
  },
});
