import { defineConfig } from "@playwright/test";
import { CHROMIUM, CHROMIUM_ARGS } from "./scripts/lib/browser.mjs";

const PORT = 3399;

export default defineConfig({
  testDir: "e2e",
  // Two at a time share the server; each makes songs of its own.
  workers: 2,
  retries: 0,
  // How fast things are is the bench's to tell: a slow machine has time for them here.
  timeout: 300_000,
  expect: { timeout: 30_000 },
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [["list"], ["json"]] : [["list"]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] },
  },
  webServer: {
    command: "node e2e/server.mjs",
    url: `http://127.0.0.1:${PORT}`,
    env: { PORT: String(PORT), NODE_ENV: "production" },
    reuseExistingServer: false,
    gracefulShutdown: { signal: "SIGTERM", timeout: 5000 },
    timeout: 60_000,
  },
});
