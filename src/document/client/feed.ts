import { type ArrivedEdit, EVENTS_PATH, type Tables } from "..";

type Follower = { revision: number; take(edit: ArrivedEdit): void };

/**
 * The one line of events a window holds, for all the documents open in it. A browser allows six connections to
 * a server, so a window that is hidden lets its line go, and takes up from its cursors when it is seen again.
 */
class Feed {
  private readonly followers = new Map<string, Follower>();
  private events: EventSource | null = null;
  private planned = false;

  follow(documentId: string, follower: Follower): () => void {
    if (this.followers.size === 0) document.addEventListener("visibilitychange", this.reopen);
    this.followers.set(documentId, follower);
    this.reopen();
    return () => {
      if (this.followers.get(documentId) !== follower) return;
      this.followers.delete(documentId);
      if (this.followers.size === 0) document.removeEventListener("visibilitychange", this.reopen);
      this.reopen();
    };
  }

  /** Opens the line anew, once for all changes made in one go. */
  private readonly reopen = (): void => {
    if (this.planned) return;
    this.planned = true;
    queueMicrotask(() => {
      this.planned = false;
      this.events?.close();
      this.events = null;
      if (this.followers.size > 0 && document.visibilityState === "visible") this.open();
    });
  };

  private open(): void {
    const cursors = [...this.followers].map(([id, { revision }]) => `${id}:${revision}`).join(",");
    this.events = new EventSource(`${EVENTS_PATH}?follow=${cursors}`);
    this.events.onmessage = (message) => {
      const { documentId, ...edit } = JSON.parse(message.data) as ArrivedEdit & { documentId: string };
      const follower = this.followers.get(documentId);
      if (!follower) return;
      follower.revision = Math.max(follower.revision, edit.revision);
      follower.take(edit);
    };
  }
}

const feed = new Feed();

/** Calls `take` with each edit after a revision, whoever made it; returns what ends it. */
export const followDocument = <T extends Tables>(
  documentId: string,
  revision: number,
  take: (edit: ArrivedEdit<T>) => void,
): (() => void) => feed.follow(documentId, { revision, take: (edit) => take(edit as ArrivedEdit<T>) });

/**
 * Calls `take` once edits have come and settled, for whoever works a document out anew as a whole; returns what ends it.
 * @param seen the newest revision that is known, asked at each edit: older ones call nothing
 */
export function followSettled(
  documentId: string,
  seen: () => number,
  settleMs: number,
  take: () => void,
): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const unfollow = followDocument(documentId, seen(), (edit) => {
    if (edit.revision <= seen()) return;
    clearTimeout(timer);
    timer = setTimeout(take, settleMs);
  });
  return () => {
    clearTimeout(timer);
    unfollow();
  };
}
