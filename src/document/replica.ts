import { applyEdit } from "./apply";
import { type Body, type Command, rowIdOf, singles, type Tables } from "./command";
import type { Definition } from "./definition";
import { overlap, type Touch, touches } from "./touch";

/** An edit of this window that is not acknowledged yet. `base` is the newest foreign revision it was made on. */
export type PendingEdit<T extends Tables = Tables> = {
  readonly editId: string;
  readonly base: number;
  readonly command: Command<T>;
};

export type ArrivedEdit<T extends Tables = Tables> = {
  readonly revision: number;
  readonly editId: string;
  readonly command: Command<T>;
};

/** A document in a window: what is acknowledged, what is not yet, and what the window shows. */
export type Replica<T extends Tables = Tables> = {
  readonly definition: Definition<T>;
  readonly revision: number;
  readonly acknowledged: Body<T>;
  readonly pending: readonly PendingEdit<T>[];
  readonly view: Body<T>;
};

/** A pending edit that lost its place: another edit got to the same field first, or what it needs is gone. */
export type LostEdit<T extends Tables = Tables> = {
  readonly edit: PendingEdit<T>;
  readonly at: readonly (Touch & { readonly theirs: unknown; readonly yours: unknown })[];
};

type Received<T extends Tables> = { readonly replica: Replica<T>; readonly lost: LostEdit<T>[] };

export const newReplica = <T extends Tables>(
  definition: Definition<T>,
  revision: number,
  body: Body<T>,
): Replica<T> => ({ definition, revision, acknowledged: body, pending: [], view: body });

/** Plays pending edits on the acknowledged body; those that no longer apply are lost. */
function replay<T extends Tables>(replica: Omit<Replica<T>, "view">, lost: LostEdit<T>[]): Replica<T> {
  let view = replica.acknowledged;
  const pending: PendingEdit<T>[] = [];
  for (const edit of replica.pending) {
    const applied = applyEdit(replica.definition, view, edit.command);
    if (applied.ok) {
      view = applied.value.body;
      pending.push(edit);
    } else {
      lost.push({ edit, at: placesOf(touches(edit.command), edit.command, view) });
    }
  }
  return { ...replica, pending, view };
}

/** Puts this window's own edit on top. The caller has made sure that it applies. */
export function addPending<T extends Tables>(
  replica: Replica<T>,
  edit: Omit<PendingEdit<T>, "base">,
  view: Body<T>,
): Replica<T> {
  return { ...replica, view, pending: [...replica.pending, { ...edit, base: replica.revision }] };
}

/**
 * Takes an acknowledged edit, this window's own or another's, in the order of revisions.
 * An edit of another that touches the same place as a pending one makes that one lost.
 * @returns the same replica when the edit is known already, null when revisions before it are missing
 */
export function receive<T extends Tables>(replica: Replica<T>, arrived: ArrivedEdit<T>): Received<T> | null {
  if (arrived.revision <= replica.revision) {
    const pending = replica.pending.filter((edit) => edit.editId !== arrived.editId);
    if (pending.length === replica.pending.length) return { replica, lost: [] };
    const lost: LostEdit<T>[] = [];
    return { replica: replay({ ...replica, pending }, lost), lost };
  }
  if (arrived.revision > replica.revision + 1) return null;
  const applied = applyEdit(replica.definition, replica.acknowledged, arrived.command);
  if (!applied.ok)
    throw new Error(`Expected revision ${arrived.revision} to apply.`, { cause: applied.problem });
  const acknowledged = applied.value.body;
  const own = replica.pending[0]?.editId === arrived.editId;
  if (own) {
    const pending = replica.pending.slice(1).map((edit) => ({ ...edit, base: arrived.revision }));
    return { replica: { ...replica, revision: arrived.revision, acknowledged, pending }, lost: [] };
  }
  const others = replica.pending.filter((edit) => edit.editId !== arrived.editId);
  const { pending, lost } = carryOver(others, [arrived], acknowledged);
  return { replica: replay({ ...replica, revision: arrived.revision, acknowledged, pending }, lost), lost };
}

/**
 * Carries pending edits over edits of others: one that touches a place another got to first is lost, the
 * rest stand on the newest revision.
 */
function carryOver<T extends Tables>(
  pending: readonly PendingEdit<T>[],
  foreign: readonly ArrivedEdit<T>[],
  acknowledged: Body<T>,
): { pending: PendingEdit<T>[]; lost: LostEdit<T>[] } {
  const lost: LostEdit<T>[] = [];
  const newest = Math.max(0, ...foreign.map((edit) => edit.revision));
  const kept = pending.filter((edit) => {
    const missed = foreign
      .filter((other) => other.revision > edit.base)
      .flatMap((other) => touches(other.command));
    const met = overlap(touches(edit.command), missed);
    if (met.length > 0) lost.push({ edit, at: placesOf(met, edit.command, acknowledged) });
    return met.length === 0;
  });
  return { pending: kept.map((edit) => ({ ...edit, base: Math.max(edit.base, newest) })), lost };
}

/** Takes up edits that waited in the queue while the window was closed. `missed` is the log since the oldest of them. */
export function resumePending<T extends Tables>(
  replica: Replica<T>,
  saved: readonly PendingEdit<T>[],
  missed: readonly ArrivedEdit<T>[],
): Received<T> {
  const stored = new Set(missed.map((edit) => edit.editId));
  const own = new Set(saved.map((edit) => edit.editId));
  const here = new Set(replica.pending.map((edit) => edit.editId));
  const waiting = saved.filter((edit) => !stored.has(edit.editId) && !here.has(edit.editId));
  const foreign = missed.filter((edit) => !own.has(edit.editId) && edit.revision <= replica.revision);
  const { pending, lost } = carryOver(waiting, foreign, replica.acknowledged);
  return { replica: replay({ ...replica, pending: [...pending, ...replica.pending] }, lost), lost };
}

/** Takes back a pending edit the server refused. */
export function dropPending<T extends Tables>(replica: Replica<T>, editId: string): Received<T> {
  const lost: LostEdit<T>[] = [];
  const pending = replica.pending.filter((edit) => edit.editId !== editId);
  return { replica: replay({ ...replica, pending }, lost), lost };
}

/** What stands at each place, and what the edit wanted there. */
export function placesOf(at: readonly Touch[], command: Command, body: Body): LostEdit["at"] {
  return at.map((touch) => {
    const row = body[touch.table]?.[touch.id] ?? null;
    const mine = singles(command).findLast((one) => one.table === touch.table && rowIdOf(one) === touch.id);
    const theirs = touch.field === "*" || row === null ? row : row[touch.field];
    const fields = mine?.type === "set" ? mine.fields : mine?.type === "add" ? mine.row : null;
    const yours = fields && touch.field !== "*" ? fields[touch.field] : fields;
    return { ...touch, theirs: theirs ?? null, yours: yours ?? null };
  });
}
