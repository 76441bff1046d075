import { defineConfig } from "@playwright/test";

/** A port and a day of its own: the demo site on a June morning, at a standing clock. */
export const PORT = Number(process.env["E2E_PORT"] ?? 5187);

export default defineConfig({
  testDir: ".",
  outputDir: "../test-results",
  workers: 1,
  timeout: 180_000,
  expect: { timeout: 30_000 },
  reporter: [["list"], ["json", { outputFile: "../test-results/e2e.json" }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: "/usr/bin/chromium", args: ["--no-sandbox", "--disable-background-networking"] },
    timezoneId: "America/New_York",
  },
});
