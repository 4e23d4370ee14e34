import { endpoint, sent } from "./endpoint";

/** Runs an engine on what is sent; each engine checks its own input. */
export const runEngine = /* @__PURE__ */ endpoint<unknown, unknown, unknown>(
  "POST",
  "/api/plan/[engine]",
  "leader",
  {
    changes: false,
    request: sent(async () => (await import("./checks/engines")).anything, 1_000_000),
  },
);
