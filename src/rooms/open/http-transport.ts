import { type Called, call, type EditRefusal, editsSince, sendEdit } from "@/api";
import type { ArrivedEdit, LostEdit, PendingEdit, Tables } from "@/document";
import { type Answer, followDocument, type Transport } from "@/document/client";

/** The line to the server for one document. What comes back is of the tables that were sent. */
export function httpTransport<T extends Tables>(id: string): Transport<T> {
  return {
    send: async (edit) => {
      const taken = await call(sendEdit, { params: { id }, sent: edit as PendingEdit });
      if (taken.ok) return { status: "done", edit: taken.answer.edit as ArrivedEdit<T> };
      return refusedAs(taken);
    },
    since: async (revision) => {
      const found = await call(editsSince, { params: { id }, sent: { since: revision } });
      if (!found.ok) throw new Error(`Expected the edits of ${id}, got ${found.status}.`);
      return found.answer.edits as readonly ArrivedEdit<T>[];
    },
    follow: (revision, take) => followDocument(id, revision, take),
  };
}

type NotTaken = Extract<Called<unknown, EditRefusal>, { ok: false }>;

/** An edit that was not taken: it waits where the server is away or can't write, else it is lost or refused. */
function refusedAs<T extends Tables>(taken: NotTaken): Answer<T> {
  if (taken.status === "away") return { status: "away" };
  if (taken.status === 507) return { status: "storage" };
  if (taken.status === 401 || taken.status === 403) return { status: "locked" };
  if (taken.status >= 500) return { status: "away" };
  const { refusal, path, message } = taken;
  if (refusal?.status === "conflict")
    return { status: "conflict", conflicts: refusal.conflicts as LostEdit<T>["at"] };
  if (refusal?.status === "refused") return { status: "refused", problem: refusal.problem };
  return { status: "rejected", message: `${path || "The edit"} ${message}.` };
}
