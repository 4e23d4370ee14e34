import type { ArrivedEdit, EditProblem, LostEdit, PendingEdit, Tables } from "..";

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
  readonly since: (revision: number) => Promise<readonly ArrivedEdit<T>[]>;
  /** Calls `take` with each edit from another window or this one; returns what ends it. */
  readonly follow: (revision: number, take: (edit: ArrivedEdit<T>) => void) => () => void;
};
