import { createStore, type StoreApi } from "zustand/vanilla";
import {
  type ArrivedEdit,
  addPending,
  applyEdit,
  type Body,
  type Command,
  type Definition,
  describeCommand,
  describeProblem,
  dropPending,
  type LostEdit,
  newReplica,
  type PendingEdit,
  type Replica,
  receive,
  resumePending,
  type Tables,
  type Tellers,
} from "..";
import type { EditQueue } from "./queue";
import type { Transport } from "./transport";

export type Saving = "saved" | "saving" | "away" | "storage" | "locked";

/** Answers after which an edit waits in the queue and is sent again. */
const isWaiting = (status: string): status is "away" | "storage" | "locked" =>
  status === "away" || status === "storage" || status === "locked";

export type DocumentState<T extends Tables = Tables> = {
  readonly replica: Replica<T>;
  readonly saving: Saving;
  /** Edits that met another's on the same place, shown until the person decides. */
  readonly lost: readonly LostEdit<T>[];
  /** The last sentence to show, with a count so that the same one can come again. */
  readonly notice: { readonly text: string; readonly count: number } | null;
};

/** A document that takes edits. */
export type Acting<T extends Tables = Tables> = {
  readonly id: string;
  /** Makes an edit. @returns the edit that takes it back, or null when it cannot be made */
  act(command: Command<T>): Command<T> | null;
  /** What an edit does, in a few words, with the names of what is there now. */
  describe(command: Command<T>): string;
};

export type DocumentStore<T extends Tables = Tables> = Acting<T> & {
  readonly definition: Definition<T>;
  readonly state: Pick<StoreApi<DocumentState<T>>, "getState" | "getInitialState" | "subscribe">;
  /** Puts away an edit that was lost to another, once the person has decided. */
  dismiss(lost: LostEdit<T>): void;
  readonly start: () => () => void;
};

/** A document as it came from the server. */
export type Loaded<T extends Tables = Tables> = {
  readonly id: string;
  readonly revision: number;
  readonly body: Body<T>;
};

export type Parts<T extends Tables = Tables> = {
  readonly queue: EditQueue<T>;
  readonly transport: Transport<T>;
  readonly makeId: () => string;
  /** Other ways to tell values in what has happened. */
  readonly tellers?: (body: Body<T>) => Tellers;
  /** Waits between tries while the server is away, ms. */
  readonly retryMs?: number;
};

/**
 * One document in one window. An edit shows at once, waits in the queue, and is sent in order; what other
 * windows do comes in between. `applyEdit` does all the judging.
 */
export function createDocumentStore<T extends Tables>(
  definition: Definition<T>,
  { id, revision, body }: Loaded<T>,
  parts: Parts<T>,
): DocumentStore<T> {
  const { queue, transport, makeId, retryMs = 1500 } = parts;
  const state = createStore<DocumentState<T>>(() => ({
    replica: newReplica(definition, revision, body),
    saving: "saved",
    lost: [],
    notice: null,
  }));
  let flushing = false;
  let stopped = true;
  const early = new Map<number, ArrivedEdit<T>>();

  const say = (text: string) =>
    state.setState(({ notice }) => ({ notice: { text, count: (notice?.count ?? 0) + 1 } }));

  const update = (replica: Replica<T>, lost: readonly LostEdit<T>[] = []) => {
    state.setState((before) => ({
      replica,
      lost: lost.length > 0 ? [...before.lost, ...lost] : before.lost,
    }));
  };

  const keep = async () => {
    try {
      await queue.save(state.getState().replica.pending);
    } catch {
      say(
        "This browser can't keep unsent changes across a reload. They stay on screen; keep this window open until they are saved.",
      );
    }
  };

  const take = (arrived: ArrivedEdit<T>) => {
    const taken = receive(state.getState().replica, arrived);
    if (!taken) {
      early.set(arrived.revision, arrived);
      void fillGap();
      return;
    }
    update(taken.replica, taken.lost);
    const next = early.get(taken.replica.revision + 1);
    early.delete(taken.replica.revision + 1);
    if (next) take(next);
  };

  const fillGap = async () => {
    try {
      for (const edit of await transport.since(state.getState().replica.revision)) take(edit);
    } catch {
      // The stream of events or the next try brings them.
    }
  };

  const flush = async () => {
    if (flushing) return;
    flushing = true;
    try {
      for (;;) {
        const edit = state.getState().replica.pending[0];
        if (!edit) break;
        if (!isWaiting(state.getState().saving)) state.setState({ saving: "saving" });
        const answer = await transport.send(edit);
        if (isWaiting(answer.status)) {
          state.setState({ saving: answer.status });
          if (stopped) return;
          await new Promise((resolve) => setTimeout(resolve, retryMs));
          continue;
        }
        if (answer.status === "done") {
          if (answer.edit.revision > state.getState().replica.revision + 1) await fillGap();
          take(answer.edit);
        } else {
          const { replica } = state.getState();
          const stays = replica.pending.some((one) => one.editId === edit.editId);
          const dropped = dropPending(replica, edit.editId);
          // What an event has shown to be lost already is not told twice.
          const met = answer.status === "conflict" && stays;
          const conflict: LostEdit<T>[] = met ? [{ edit, at: answer.conflicts }] : [];
          update(dropped.replica, [...conflict, ...dropped.lost]);
          if (answer.status === "refused") say(describeProblem(definition, answer.problem));
          if (answer.status === "rejected") say(answer.message);
          await fillGap();
        }
        await keep();
      }
      state.setState({ saving: "saved" });
    } finally {
      flushing = false;
    }
  };

  const act = (command: Command<T>): Command<T> | null => {
    const { replica } = state.getState();
    const applied = applyEdit(definition, replica.view, command);
    if (!applied.ok) {
      say(describeProblem(definition, applied.problem));
      return null;
    }
    update(addPending(replica, { editId: makeId(), command }, applied.value.body));
    if (state.getState().saving === "saved") state.setState({ saving: "saving" });
    void keep().then(flush);
    return applied.value.inverse;
  };

  const resume = async () => {
    let saved: PendingEdit<T>[];
    try {
      saved = await queue.load();
    } catch {
      say(
        "This browser keeps nothing for this page: its storage is blocked. What you change is sent, but what is not sent yet is lost on a reload.",
      );
      return;
    }
    try {
      if (saved.length === 0) return;
      const missed = await transport.since(Math.min(...saved.map((edit) => edit.base)));
      const resumed = resumePending(state.getState().replica, saved, missed);
      update(resumed.replica, resumed.lost);
      await flush();
    } catch {
      say(
        "Changes from before are waiting, but the server can't be reached. They are kept; reload when it runs again.",
      );
    }
  };

  const start = () => {
    stopped = false;
    const unfollow = transport.follow(state.getState().replica.revision, take);
    void resume();
    return () => {
      stopped = true;
      unfollow();
    };
  };

  const dismiss = (lost: LostEdit<T>) => {
    state.setState((before) => ({ lost: before.lost.filter((one) => one !== lost) }));
  };

  const describe = (command: Command<T>): string => {
    const body = state.getState().replica.view;
    return describeCommand(definition, command, body, { tellers: parts.tellers?.(body) });
  };
  return { id, definition, state, act, describe, dismiss, start };
}
