import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from "vitest";
import { sampleEvening } from "../../../testing/server/sample-evening";
import { type Database, openFolder } from "../db/open-database";
import { createDocuments } from "../documents/stored-documents";
import { host } from "../host";
import { setHost } from "../host/host";
import { admit } from "./access-gate";
import {
  admitGuest,
  beginOpening,
  changeCode,
  endOpening,
  findGuest,
  findOpening,
  LONGEST_OPEN_MS,
  listGuests,
  onEnd,
  removeGuests,
  roleOf,
  setPerson,
} from "./openings";
import { makeCode, readCode } from "./secrets";

let database: Database;
let close: () => Promise<void>;
const forget = () => {
  delete (globalThis as { lanternDoor?: unknown }).lanternDoor;
};
beforeAll(async () => {
  ({ database, close } = await openFolder(null));
  await createDocuments(database, sampleEvening(""));
});
beforeEach(async () => {
  forget();
  await endOpening(database);
});
afterAll(async () => {
  forget();
  await close();
});

const opened = () =>
  beginOpening(database, { eveningId: "E", port: 4000, secure: false, passphrase: "lamp and rope" });
const ask = (from: "here" | "network", path: string, token = "", method = "GET") =>
  admit(database, { method, path, from, cookie: `other=1; lantern=${token}` });
const role = async (...asked: Parameters<typeof ask>) => {
  const found = await ask(...asked);
  return found.ok ? (found.headers["x-lantern-role"] ?? "nobody") : found.status;
};

describe("admit", () => {
  it("takes whoever is at this machine for the leader, until an evening is open", async () => {
    expect(await role("here", "/api/songs", "", "POST")).toBe("leader");
    await opened();
    expect(await role("here", "/api/songs", "", "POST")).toBe("nobody");
    const { token } = await admitGuest(database, "leader");
    expect(await role("here", "/api/songs", token, "POST")).toBe("leader");
    expect(await role("network", "/api/songs", token, "POST")).toBe("leader");
    await endOpening(database);
    expect(await role("here", "/api/songs", "", "POST")).toBe("leader");
    expect(await role("network", "/api/songs", token, "POST")).toBe(401);
  });

  it("lets players and viewers to their evening's stage alone", async () => {
    await opened();
    const player = (await admitGuest(database, "player")).token;
    const viewer = (await admitGuest(database, "viewer")).token;
    expect(await role("network", "/live/E", player)).toBe("player");
    expect(await role("network", "/live/other", player)).toBe(403);
    expect(await role("network", "/api/stage/E/press", player, "POST")).toBe(403);
    expect(await role("network", "/api/stage/E/notes", player, "PUT")).toBe("player");
    expect(await role("network", "/api/stage/E/notes", viewer, "PUT")).toBe(403);
    expect(await ask("network", "/song/x", viewer)).toMatchObject({ status: 403, location: "/live/E" });
    expect(await ask("network", "/song/x")).toMatchObject({ status: 401, location: "/join" });
    expect(await ask("network", "/api/backup", "made-up")).toMatchObject({ status: 401, location: null });
  });

  it("puts out who joined by a code that is withdrawn, and keeps it so after a restart", async () => {
    const opening = await opened();
    const { token, guest } = await admitGuest(database, "player");
    await setPerson(database, guest.id, "maren");
    forget();
    expect(await findGuest(database, token)).toMatchObject({ person: "maren", role: "player" });
    expect(await changeCode(database, "player", false)).toEqual({ removed: [guest.id] });
    expect(await role("network", "/live/E", token)).toBe(401);
    expect(await roleOf((await findOpening(database))!, { code: opening.playerCode! })).toBeNull();
    forget();
    expect(await role("network", "/live/E", token)).toBe(401);
    await changeCode(database, "player", true);
    const renewed = (await findOpening(database))!;
    expect(renewed.playerCode).not.toBe(opening.playerCode);
    expect(await roleOf(renewed, { code: renewed.playerCode! })).toBe("player");
    expect(await roleOf(renewed, { code: renewed.viewerCode! })).toBe("viewer");
  });

  it("puts single guests out, and keeps no token and no passphrase as it is", async () => {
    const opening = await opened();
    const { guest, token } = await admitGuest(database, "viewer");
    await removeGuests(database, [guest]);
    expect(await listGuests(database)).toEqual([]);
    expect(JSON.stringify([opening, guest])).not.toContain(token);
    expect(JSON.stringify(opening)).not.toContain("lamp and rope");
    expect(await roleOf(opening, { passphrase: "lamp and rope" })).toBe("leader");
    expect(await roleOf(opening, { passphrase: "lamp and rop" })).toBeNull();
    expect(await roleOf(opening, { code: "" })).toBeNull();
  });
});

describe("an opening", () => {
  it("does not end because the system's clock was set on while it is open", async () => {
    await opened();
    const { token } = await admitGuest(database, "player");
    vi.setSystemTime(Date.now() + LONGEST_OPEN_MS + 1000);
    expect(await role("network", "/live/E", token)).toBe("player");
    vi.useRealTimers();
  });

  it("ends by itself after a day", async () => {
    await opened();
    const { token } = await admitGuest(database, "player");
    expect(await role("network", "/live/E", token)).toBe("player");
    const closed = vi.fn();
    onEnd(closed);
    const { clock } = host();
    setHost({ ...host(), clock: () => clock() + LONGEST_OPEN_MS + 1000 });
    expect(await role("network", "/live/E", token)).toBe(401);
    expect(await role("here", "/api/songs", "", "POST")).toBe("leader");
    expect(closed).toHaveBeenCalledTimes(1);
    setHost({ ...host(), clock });
  });
});

describe("codes", () => {
  it("have six signs that are not taken for one another, and are read however they are typed", () => {
    for (let round = 0; round < 200; round++) expect(makeCode()).toMatch(/^[ACDEFGHJKMNPQRTWXY34679]{6}$/u);
    expect(readCode(" k7f-q4 m")).toBe("K7FQ4M");
  });
});
