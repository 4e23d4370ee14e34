import { and, eq, isNull } from "drizzle-orm";
import type { Database } from "../db/open-database";
import { guests, openings } from "../db/schema";
import { heldOnHost, host } from "../host";
import { makeId } from "../ids";
import type { Role } from "./index";
import { hashOfPassphrase, hashOfToken, isSame, makeCode, makeSalt, makeToken } from "./secrets";

export type Opening = typeof openings.$inferSelect;
export type Guest = typeof guests.$inferSelect;

/** The evening that is open and who has joined it, in memory as on disk. */
type Door = { readonly opening: Opening; readonly byToken: Map<string, Guest> };

const kept = heldOnHost<Promise<Door | null>>("opening");

const read = async (database: Database): Promise<Door | null> => {
  const [opening] = await database.select().from(openings).where(isNull(openings.endedAt));
  if (!opening) return null;
  const all = await database
    .select()
    .from(guests)
    .where(and(eq(guests.openingId, opening.id), isNull(guests.removedAt)));
  return { opening, byToken: new Map(all.map((guest) => [guest.tokenHash, guest])) };
};

/** An evening that nobody has closed ends by itself after so long, ms: no code outlives the night. */
export const LONGEST_OPEN_MS = 24 * 3_600_000;

/** The open evening, or null; read from the disk once. */
async function door(database: Database): Promise<Door | null> {
  kept.now ??= read(database);
  const open = await kept.now;
  if (!open || host().clock() - +open.opening.openedAt < LONGEST_OPEN_MS) return open;
  await endOpening(database);
  whenOver();
  return null;
}

let whenOver = (): void => {};

/** Says what is done when an evening has ended by itself: the gate, which sees every request, closes the listener then. */
export function onEnd(work: () => void): void {
  whenOver = work;
}

export const findOpening = async (database: Database): Promise<Opening | null> =>
  (await door(database))?.opening ?? null;

export const listGuests = async (database: Database): Promise<Guest[]> =>
  [...((await door(database))?.byToken.values() ?? [])].sort((a, b) => +a.joinedAt - +b.joinedAt);

/** Who carries a token, or null where it was never given, was withdrawn, or its evening has ended. */
export const findGuest = async (database: Database, token: string): Promise<Guest | null> =>
  (await door(database))?.byToken.get(hashOfToken(token)) ?? null;

/** Opens an evening; whatever was open before ends. */
export async function beginOpening(
  database: Database,
  asked: { eveningId: string; port: number; secure: boolean; passphrase: string },
): Promise<Opening> {
  const { passphrase, ...rest } = asked;
  const salt = makeSalt();
  const passphraseHash = await hashOfPassphrase(passphrase, salt);
  await endOpening(database);
  const [made] = await database
    .insert(openings)
    .values({
      ...rest,
      id: makeId(),
      openedAt: new Date(host().clock()),
      salt,
      passphraseHash,
      playerCode: makeCode(),
      viewerCode: makeCode(),
    })
    .returning();
  kept.now = Promise.resolve({ opening: made!, byToken: new Map() });
  return made!;
}

/** Ends what is open: codes and tokens are worth nothing from now on. */
export async function endOpening(database: Database): Promise<void> {
  await database.update(openings).set({ endedAt: new Date() }).where(isNull(openings.endedAt));
  kept.now = Promise.resolve(null);
}

export type Withdrawn = { readonly removed: readonly string[] };

/** Gives a new code for a role, or none. Who joined by the old one is out; answers with their ids. */
export async function changeCode(
  database: Database,
  role: "player" | "viewer",
  renew: boolean,
): Promise<Withdrawn> {
  const open = await door(database);
  if (!open) return { removed: [] };
  const code = renew ? makeCode() : null;
  const [opening] = await database
    .update(openings)
    .set(role === "player" ? { playerCode: code } : { viewerCode: code })
    .where(eq(openings.id, open.opening.id))
    .returning();
  kept.now = Promise.resolve({ ...open, opening: opening! });
  const out = [...open.byToken.values()].filter((guest) => guest.role === role);
  return removeGuests(database, out);
}

/** Puts guests out. */
export async function removeGuests(
  database: Database,
  out: readonly Pick<Guest, "id">[],
): Promise<Withdrawn> {
  const open = await door(database);
  for (const { id } of out) {
    await database.update(guests).set({ removedAt: new Date() }).where(eq(guests.id, id));
    for (const [hash, guest] of open?.byToken ?? []) if (guest.id === id) open!.byToken.delete(hash);
  }
  return { removed: out.map(({ id }) => id) };
}

/** The role a code or the passphrase gives, or null. */
export async function roleOf(
  opening: Opening,
  secret: { code: string } | { passphrase: string },
): Promise<Role | null> {
  if ("passphrase" in secret) {
    const hash = await hashOfPassphrase(secret.passphrase, opening.salt);
    return isSame(hash, opening.passphraseHash) ? "leader" : null;
  }
  const fits = (code: string | null) => isSame(code ?? "", secret.code) && code !== null;
  const [player, viewer] = [fits(opening.playerCode), fits(opening.viewerCode)];
  return player ? "player" : viewer ? "viewer" : null;
}

/** Lets someone in; the token is theirs alone. */
export async function admitGuest(
  database: Database,
  role: Role,
  person: string | null = null,
): Promise<{ guest: Guest; token: string }> {
  const open = await door(database);
  if (!open) throw new Error("Expected an open evening to join, there is none.");
  const token = makeToken();
  const [guest] = await database
    .insert(guests)
    .values({ id: makeId(), openingId: open.opening.id, tokenHash: hashOfToken(token), role, person })
    .returning();
  open.byToken.set(guest!.tokenHash, guest!);
  return { guest: guest!, token };
}

/** Notes whose part a guest sees; null where nobody's any more. */
export async function setPerson(database: Database, guestId: string, person: string | null): Promise<void> {
  const open = await door(database);
  await database.update(guests).set({ person }).where(eq(guests.id, guestId));
  for (const [hash, guest] of open?.byToken ?? [])
    if (guest.id === guestId) open!.byToken.set(hash, { ...guest, person });
}

/**
 * Whether another player's device has said to be a person. Who looks on, and the leader, take nobody's place.
 * @param guestId whose device asks
 */
export const isTaken = async (database: Database, guestId: string, person: string): Promise<boolean> =>
  (await listGuests(database)).some(
    (guest) => guest.id !== guestId && guest.role === "player" && guest.person === person,
  );

export const findGuestById = async (database: Database, id: string): Promise<Guest | null> =>
  (await listGuests(database)).find((guest) => guest.id === id) ?? null;
