import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { ENDPOINTS, fillPath } from ".";

const ROUTES = readdirSync("src/app/api", { recursive: true, encoding: "utf8" }).filter((file) =>
  file.endsWith("route.ts"),
);

/** What the route files answer: "GET /api/shelf". */
const answered = ROUTES.flatMap((file) => {
  const text = readFileSync(path.join("src/app/api", file), "utf8");
  const place = `/api/${path.posix.dirname(file)}`;
  return [
    ...text.matchAll(/export const (GET|POST|PUT|DELETE|PATCH) = serve(?:Stage|Songs|Apart)?\((\w+)/gu),
  ].map(([, method, endpoint]) => ({ asked: `${method} ${place}`, endpoint }));
});

describe("endpoints", () => {
  it("are each answered by the route of their path, and no route answers what is no endpoint", () => {
    const named = ENDPOINTS.map(({ method, path: place }) => `${method} ${place}`);
    expect(new Set(named).size).toBe(named.length);
    expect(answered.map(({ asked }) => asked).sort()).toEqual(named.sort());
    for (const file of ROUTES)
      expect(readFileSync(path.join("src/app/api", file), "utf8"), file).not.toMatch(
        /export (?:async )?function (?:GET|POST|PUT|DELETE|PATCH)/u,
      );
  });

  it("name what they check, and a check can be fetched", async () => {
    for (const { request, path: place } of ENDPOINTS) {
      if (!request) continue;
      expect(request.most, place).toBeGreaterThan(0);
      expect(typeof (await request.check()).safeParse, place).toBe("function");
    }
  });

  it("change nothing by a GET", () => {
    expect(ENDPOINTS.filter(({ method, changes }) => method === "GET" && changes)).toEqual([]);
  });

  it("fill ids into paths, so that no id leads elsewhere", () => {
    expect(fillPath("/api/stage/[eveningId]/me", { eveningId: "a/b ?" })).toBe("/api/stage/a%2Fb%20%3F/me");
  });
});
