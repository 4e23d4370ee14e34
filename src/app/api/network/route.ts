import QRCode from "qrcode";
import { changeNetwork, type NetworkStatus, readNetwork } from "@/api";
import { tokenCookie } from "@/server/access/access-gate";
import {
  admitGuest,
  beginOpening,
  changeCode,
  endOpening,
  findOpening,
  listGuests,
  removeGuests,
  setPerson,
} from "@/server/access/openings";
import { type Database, openDatabase } from "@/server/db/open-database";
import { findDocument } from "@/server/documents/stored-documents";
import { host } from "@/server/host";
import { refuse } from "@/server/http";
import { Reply, serve } from "@/server/serve";
import { dismissGuests } from "@/server/stage/hub";

const notLeader = () => refuse(403, "who", "is not the leader: give the passphrase first");

/** A QR code as rows of dark and light, to be drawn by whoever shows it. */
const qrOf = (text: string) => {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: "M" });
  return { size: modules.size, dark: [...modules.data].map(Number).join("") };
};

/** What the leader's screen shows of the open evening. */
async function statusOf(database: Database): Promise<NetworkStatus> {
  const opening = await findOpening(database);
  const where = host().network?.where() ?? null;
  if (!opening) return { open: false as const, secure: host().network?.secure ?? false };
  const scheme = where?.secure ? "https" : "http";
  const addresses = (where?.addresses ?? []).map((address) => `${scheme}://${address}:${where!.port}`);
  const joinBy = (code: string | null) =>
    code === null ? null : { code, qr: addresses[0] ? qrOf(`${addresses[0]}/join#${code}`) : null };
  return {
    open: true as const,
    eveningId: opening.eveningId,
    listening: where !== null,
    secure: where?.secure ?? opening.secure,
    addresses,
    player: joinBy(opening.playerCode),
    viewer: joinBy(opening.viewerCode),
    guests: (await listGuests(database)).map(({ id, role, person, joinedAt }) => ({
      id,
      role,
      person,
      joinedAt: joinedAt.toISOString(),
    })),
  };
}

/** Whether and how the evening is open; the leader's alone, for it holds the codes. */
export const GET = serve(readNetwork, async ({ who }) =>
  who.role === "leader" ? statusOf(await openDatabase()) : notLeader(),
);

/** Opens an evening to the network, closes it, withdraws or renews a code, puts someone out. */
export const POST = serve(changeNetwork, async ({ sent: wanted }) => {
  const database = await openDatabase();
  if (wanted.act === "open") return open(database, wanted.eveningId, wanted.passphrase);
  if (wanted.act === "close") {
    const out = (await listGuests(database)).map(({ id }) => id);
    await endOpening(database);
    await dismissGuests(out);
    await host().network?.close();
    return statusOf(database);
  }
  if (wanted.act === "free") {
    await setPerson(database, wanted.guestId, null);
    return statusOf(database);
  }
  const { removed } =
    wanted.act === "remove"
      ? await removeGuests(database, [{ id: wanted.guestId }])
      : await changeCode(database, wanted.role, wanted.act === "renew");
  await dismissGuests(removed);
  return statusOf(database);
});

async function open(
  database: Database,
  eveningId: string,
  passphrase: string,
): Promise<Response | Reply<NetworkStatus>> {
  if ((await findDocument(database, eveningId))?.kind !== "evening")
    return refuse(404, "eveningId", "names no evening here");
  const listener = host().network;
  if (!listener)
    return refuse(503, "network", "can't be opened: the program was started without its own server");
  let where: Awaited<ReturnType<typeof listener.openAt>>;
  try {
    where = await listener.openAt(listener.firstPort);
  } catch {
    return refuse(503, "network", `could not be opened: ports from ${listener.firstPort} on are all in use`);
  }
  await dismissGuests((await listGuests(database)).map(({ id }) => id));
  await beginOpening(database, { eveningId, passphrase, port: where.port, secure: where.secure });
  // Whoever opens it leads it: this window need not type the passphrase it has just made up.
  const { token } = await admitGuest(database, "leader");
  return new Reply(await statusOf(database), 200, { "set-cookie": tokenCookie(token, false) });
}
