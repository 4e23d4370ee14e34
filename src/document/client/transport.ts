import type { ArrivedEdit, EditProblem, LostEdit, PendingEdit, Tables } from "..";
import { followDocument } from "./feed";

/**
 * What the server says to an edit. "away" when it cannot be reached, "storage" when it cannot write, "locked" when this
 * window may not change anything now: the edit stays in the queue.
 */
export type Answer<T extends Tables = Tables> =
  | { readonly status: "done"; readonly edit: ArrivedEdit<T> }
  | { readonly status: "conflict"; readonly conflicts: LostEdit<T>["at"] }
  | { readonly status: "refused"; readonly problem: EditProblem }
  | { readonly status: "rejected"; readonly message: string }
  | { readonly status: "away" | "storage" | "locked" };

/** The line to the server for one document. */
export type Transport<T extends Tables = Tables> = {
  readonly send: (edit: PendingEdit<T>) => Promise<Answer<T>>;
  readonly since: (revision: number) => Promise<ArrivedEdit<T>[]>;
  /** Calls `take` with each edit from another window or this one; returns what ends it. */
  readonly follow: (revision: number, take: (edit: ArrivedEdit<T>) => void) => () => void;
};

export function httpTransport<T extends Tables>(documentId: string): Transport<T> {
  const address = `/api/documents/${documentId}`;
  return {
    send: async (edit) => {
      try {
        const response = await fetch(`${address}/edits`, {
          method: "POST",
          headers: { "content-type": "application/json" },
          body: JSON.stringify(edit),
        });
        if (response.status === 507) return { status: "storage" };
        if (response.status === 401 || response.status === 403) return { status: "locked" };
        if (response.status >= 500) return { status: "away" };
        const answer = await response.json();
        if (["done", "conflict", "refused"].includes(answer.status)) return answer;
        return {
          status: "rejected",
          message: `${answer.error?.path ?? "The edit"} ${answer.error?.message ?? "was not taken"}.`,
        };
      } catch {
        return { status: "away" };
      }
    },
    since: async (revision) =>
      (await getJson<{ edits: ArrivedEdit<T>[] }>(`${address}/edits?since=${revision}`)).edits,
    follow: (revision, take) => followDocument(documentId, revision, take),
  };
}

async function getJson<Value>(address: string): Promise<Value> {
  const response = await fetch(address);
  if (!response.ok) throw new Error(`The server answered ${response.status} to ${address}.`);
  return (await response.json()) as Value;
}
