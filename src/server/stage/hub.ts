import { isDeepStrictEqual } from "node:util";
import {
  applyLive,
  type LeaderAct,
  type LiveAct,
  type LiveEvent,
  type LiveMessage,
  type LiveState,
  refuseLive,
} from "@/core/stage";
import type { Database } from "../db/open-database";
import { openDatabase } from "../db/open-database";
import { findDocument } from "../documents/stored-documents";
import { clockFrom, host, onHost } from "../host";
import { makeId } from "../ids";
import { endLines, watch } from "../live";
import { eventOfPress, eventsSince, KEEP_EVERY, readState, writeEvent } from "./log";
import { liveItems } from "./stage-score";

/** Who listens: gets what is to be sent, already written out, and who it is for. */
export type Listener = {
  readonly send: (chunk: Uint8Array) => void;
  readonly end: () => void;
  readonly guestId: string | null;
};

export type Pressed =
  | { readonly ok: true; readonly event: LiveEvent }
  | { readonly ok: false; readonly reason: string };

/** So often everybody is told how far the log is and what time it is, ms. */
const BEAT_MS = 2000;
/** A press may have been made this long before it came, ms: more is not believed. */
const LONGEST_WAY_MS = 250;
/** A screen sends a press again for at most this long, ms; after that all such presses have come to this session. */
const RESENT_MS = 60_000;
const MOST_TAKEN = 500;
/** After an edit of a song the evening is read anew this much later, ms. */
const SETTLE_MS = 250;
/** After a restart it is read anew this much later, ms. */
const REREAD_MS = 600;

const encoder = new TextEncoder();

/** A message as it goes over the line. A beat has the time it left at. */
const written = (message: LiveMessage, now: number): Uint8Array => {
  const id =
    message.type === "event" ? message.event.id : message.type === "whole" ? message.state.lastId : null;
  const head = id === null ? "" : `id: ${id}\n`;
  return encoder.encode(`${head}data: ${JSON.stringify({ ...message, now })}\n\n`);
};

/**
 * An evening on stage: its state, and everybody who follows it. A press is on disk before anybody hears of it, and presses
 * come one after another.
 */
export class LiveSession {
  private readonly listeners = new Set<Listener>();
  private queue: Promise<unknown> = Promise.resolve();
  private unwatch: (() => void)[] = [];
  private settling: ReturnType<typeof setTimeout> | undefined;
  private beat: ReturnType<typeof setInterval> | undefined;
  private songs: string | null = null;
  /** Counts how often the songs were read: what an older reading finds is not taken. */
  private readings = 0;
  /** The newest presses by their ids. */
  private readonly taken = new Map<string, LiveEvent>();
  private readonly begunAt: number;
  private hasEnded = false;

  private constructor(
    private readonly database: Database,
    readonly eveningId: string,
    private current: LiveState,
    private readonly clock: () => number,
  ) {
    this.begunAt = clock();
  }

  /** Reads an evening, or null where there is none. @param clock ms since 1970; another one in tests */
  static async open(
    database: Database,
    eveningId: string,
    clock: () => number = host().clock,
  ): Promise<LiveSession | null> {
    if ((await findDocument(database, eveningId))?.kind !== "evening") return null;
    const state = await readState(database, eveningId);
    const session = new LiveSession(database, eveningId, state, clockFrom(state.lastAt, clock));
    // One that was on stage before goes on from where it was at once. Whether its songs are others now is seen when all who
    // wait for it have been told.
    if (state.items.length === 0) await session.rescore();
    else session.settle(REREAD_MS);
    return session;
  }

  get state(): LiveState {
    return this.current;
  }

  now(): number {
    return this.clock();
  }

  /** Takes a press of the leader's. The same press sent twice stands once. */
  press(sent: { act: LeaderAct; pressId: string; pressedAt: number | null }): Promise<Pressed> {
    return this.inTurn(async (): Promise<Pressed> => {
      const known = await this.known(sent.pressId);
      if (known) return { ok: true, event: known };
      const now = this.clock();
      const at = Math.min(now, Math.max(now - LONGEST_WAY_MS, sent.pressedAt ?? now));
      const reason = refuseLive(this.current, sent.act, at);
      return reason === null
        ? { ok: true, event: await this.take(sent.act, at, sent.pressId) }
        : { ok: false, reason };
    });
  }

  /** The event of a press that was taken before; presses of before this session was read are asked of the disk. */
  private async known(pressId: string): Promise<LiveEvent | null> {
    const taken = this.taken.get(pressId);
    if (taken || this.clock() - this.begunAt > RESENT_MS) return taken ?? null;
    return eventOfPress(this.database, pressId);
  }

  /** Reads the songs anew and tells everybody where they have changed. */
  async rescore(): Promise<void> {
    const reading = ++this.readings;
    // What is edited while it is read is read once more.
    this.watchAll([this.eveningId, ...this.current.items.flatMap(({ versionId }) => versionId ?? [])]);
    const found = await liveItems(this.database, this.eveningId);
    if (!found) return;
    return this.inTurn(async () => {
      if (reading !== this.readings || this.hasEnded) return;
      this.watchAll(found.documentIds);
      const isEdited = this.songs !== found.songs;
      this.songs = found.songs;
      if (!isDeepStrictEqual(found.items, this.current.items))
        await this.take({ type: "score", items: found.items }, this.clock(), makeId());
      if (isEdited) this.tellBeat();
    });
  }

  private watchAll(documentIds: readonly string[]): void {
    for (const end of this.unwatch) end();
    this.unwatch = documentIds.map((id) => watch(id, () => this.settle(SETTLE_MS)));
  }

  /** Adds a listener and tells it what it has missed since an event; returns what lets it go. */
  async listen(listener: Listener, since: number): Promise<() => void> {
    return this.inTurn(async () => {
      const missed =
        since > 0 && since <= this.current.lastId
          ? await eventsSince(this.database, this.eveningId, since)
          : [];
      const isWhole = since === this.current.lastId || (missed.length > 0 && missed[0]!.id === since + 1);
      const messages: LiveMessage[] = isWhole
        ? missed.map((event) => ({ type: "event", event }))
        : [{ type: "whole", state: this.current }];
      for (const message of messages) listener.send(written(message, this.clock()));
      listener.send(written(this.howFar(), this.clock()));
      this.listeners.add(listener);
      this.beat ??= setInterval(() => this.tellBeat(), BEAT_MS);
      this.beat.unref?.();
      return () => {
        this.listeners.delete(listener);
        if (this.listeners.size === 0) {
          clearInterval(this.beat);
          this.beat = undefined;
        }
      };
    });
  }

  /** Ends the lines of guests who are out. */
  dismiss(guestIds: readonly string[]): void {
    for (const listener of [...this.listeners])
      if (listener.guestId !== null && guestIds.includes(listener.guestId)) listener.end();
  }

  /** Ends every line and watches nothing any more. */
  end(): void {
    for (const listener of [...this.listeners]) listener.end();
    this.hasEnded = true;
    for (const end of this.unwatch) end();
    clearInterval(this.beat);
    clearTimeout(this.settling);
  }

  /** How many listen. */
  get following(): number {
    return this.listeners.size;
  }

  /** Tells how far the log is, as the timer does; for a faster clock. */
  tellBeat(): void {
    this.tell(this.howFar());
  }

  private howFar(): LiveMessage {
    return { type: "beat", lastId: this.current.lastId, songs: this.songs };
  }

  private settle(ms: number): void {
    clearTimeout(this.settling);
    this.settling = setTimeout(() => void this.rescore().catch(() => {}), ms);
  }

  private async take(act: LiveAct, asked: number, pressId: string): Promise<LiveEvent> {
    const event: LiveEvent = { id: this.current.lastId + 1, at: Math.max(asked, this.current.lastAt), act };
    const state = applyLive(this.current, event);
    const isKept = act.type === "score" || event.id % KEEP_EVERY === 0;
    await writeEvent(this.database, this.eveningId, event, pressId, isKept ? state : null);
    this.current = state;
    this.taken.set(pressId, event);
    for (const oldest of this.taken.keys()) {
      if (this.taken.size <= MOST_TAKEN) break;
      this.taken.delete(oldest);
    }
    this.tell({ type: "event", event });
    return event;
  }

  private tell(message: LiveMessage): void {
    const chunk = written(message, this.clock());
    for (const listener of [...this.listeners]) {
      try {
        listener.send(chunk);
      } catch {
        // One whose line is gone must not keep the others from hearing.
        this.listeners.delete(listener);
      }
    }
  }

  private inTurn<Value>(work: () => Promise<Value>): Promise<Value> {
    const done = this.queue.then(work);
    this.queue = done.catch(() => {});
    return done;
  }
}

/** Sessions by evening. */
const sessions = onHost("sessions", () => new Map<string, Promise<LiveSession | null>>());

/** The live session of an evening, read from the disk once. */
export async function liveSession(eveningId: string): Promise<LiveSession | null> {
  const known = sessions().get(eveningId);
  if (known) return known;
  const opening = openDatabase().then((database) => LiveSession.open(database, eveningId));
  sessions().set(eveningId, opening);
  const found = await opening.catch((error) => {
    sessions().delete(eveningId);
    throw error;
  });
  if (!found) sessions().delete(eveningId);
  return found;
}

/** Ends all sessions: what stood in the database is another now. Who followed comes again and is told anew. */
export async function endSessions(): Promise<void> {
  const open = [...sessions().values()];
  sessions().clear();
  for (const session of open) (await session.catch(() => null))?.end();
}

/** Ends the lines of guests who are out, wherever they listen: on stage, and to edits. */
export async function dismissGuests(guestIds: readonly string[]): Promise<void> {
  endLines(guestIds);
  for (const session of sessions().values()) (await session)?.dismiss(guestIds);
}
