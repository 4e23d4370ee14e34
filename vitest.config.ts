import path from "node:path";
import { defineConfig } from "vitest/config";

const alias = { "@": path.resolve("src") };

export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: "unit",
          setupFiles: ["scripts/lib/seed.ts"],
          include: ["src/**/*.test.{ts,tsx}"],
          environment: "node",
          testTimeout: 60_000,
          hookTimeout: 60_000,
        },
      },
      {
        test: {
          name: "arch",
          include: ["checks/architecture/*.test.ts"],
          environment: "node",
          testTimeout: 60_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: "checks",
          setupFiles: ["scripts/lib/seed.ts"],
          include: ["checks/*.test.ts"],
          environment: "node",
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
