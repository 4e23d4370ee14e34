import { readdirSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { isEnough, needs } from "./needs";

/** Every page and route of the program as somebody would ask for it, with made-up ids. */
const places = readdirSync(path.resolve("src", "app"), { recursive: true, encoding: "utf8" })
  .filter((file) => /(?:^|\/)(?:page\.tsx|route\.ts)$/u.test(file))
  .map((file) => `/${path.dirname(file).replaceAll(/\[\w+\]/gu, "Evening1")}`.replace("/.", "/"));

describe("needs", () => {
  it("leaves to anyone only how one joins, to players only the stage, and everything else to the leader", () => {
    const read = (least: string) => places.filter((place) => needs("GET", place).least === least).sort();
    expect(read("anyone")).toEqual(["/api/join", "/join", "/join/trust", "/lantern-ca.crt"]);
    expect(read("viewer")).toEqual([
      "/api/stage/Evening1/clock",
      "/api/stage/Evening1/events",
      "/api/stage/Evening1/heard",
      "/api/stage/Evening1/live",
      "/api/stage/Evening1/me",
      "/api/stage/Evening1/notes",
      "/api/stage/Evening1/pack",
      "/api/stage/Evening1/people",
      "/live/Evening1",
      "/live/Evening1/rehearse",
    ]);
    // What sounds is the program's own, and a sheet without it is silent.
    for (const file of ["/sounds.sf3", "/sound-worklet.js"]) expect(needs("GET", file).least).toBe("anyone");
    expect(read("leader").length).toBeGreaterThan(30);
  });

  it("lets nothing be changed but by the leader, except one's own", () => {
    const changed = ["POST", "PUT", "PATCH", "DELETE"].flatMap((method) =>
      places.filter((place) => needs(method, place).least !== "leader").map((place) => `${method} ${place}`),
    );
    expect(changed.sort()).toEqual([
      "POST /api/join",
      "POST /api/stage/Evening1/me",
      "POST /api/stage/Evening1/practices",
      "PUT /api/stage/Evening1/notes",
    ]);
    expect(needs("POST", "/api/stage/Evening1/press")).toEqual({ least: "leader", eveningId: "Evening1" });
  });

  it("is not led astray by odd paths", () => {
    for (const place of [
      "/join/../api/backup",
      "/api/stage/a/b/live",
      "/_next/static",
      "/live/",
      "/live/x/../../api/shelf",
      "//join",
      "/api/join/",
    ])
      expect(needs("GET", place).least).toBe("leader");
  });

  it("gives a role its own evening only", () => {
    const pack = needs("GET", "/api/stage/A/pack");
    expect(isEnough(pack, "viewer", "A")).toBe(true);
    expect(isEnough(pack, "player", "B")).toBe(false);
    expect(isEnough(pack, "leader", "B")).toBe(true);
    expect(isEnough(needs("PUT", "/api/stage/A/notes"), "viewer", "A")).toBe(false);
    expect(isEnough(needs("GET", "/join"), "viewer", "B")).toBe(true);
  });
});
