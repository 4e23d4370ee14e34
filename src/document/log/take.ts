import {
  type ArrivedEdit,
  applyToOwned,
  type Body,
  type Command,
  type Definition,
  type EditProblem,
  type LostEdit,
  overlap,
  type PendingEdit,
  placesOf,
  type Tables,
  type Touch,
  touches,
} from "..";

/** A document as the log holds it now. */
export type Kept<T extends Tables = Tables> = { readonly revision: number; readonly body: Body<T> };

/** What becomes of an edit that was sent: written, met by another's, refused, or made on a revision that is not there. */
export type Taken<T extends Tables = Tables> =
  | {
      readonly status: "done";
      readonly edit: ArrivedEdit<T>;
      readonly body: Body<T>;
      readonly inverse: Command<T>;
      readonly touches: readonly Touch[];
    }
  | { readonly status: "conflict"; readonly revision: number; readonly conflicts: LostEdit["at"] }
  | { readonly status: "refused"; readonly revision: number; readonly problem: EditProblem }
  | { readonly status: "ahead"; readonly revision: number };

/**
 * Takes an edit: one made on an older revision is carried over what has happened since, or refused with both values.
 * @param kept the document, which nobody else holds: its tables are written in
 * @param since what each edit after the one it was made on has touched
 */
export function takeEdit<T extends Tables>(
  definition: Definition<T>,
  kept: Kept<NoInfer<T>>,
  sent: PendingEdit<NoInfer<T>>,
  since: readonly (readonly Touch[])[],
): Taken<T> {
  const { revision, body } = kept;
  if (sent.base > revision) return { status: "ahead", revision };
  const wanted = touches(sent.command);
  const met = overlap(wanted, since.flat());
  if (met.length > 0) return { status: "conflict", revision, conflicts: placesOf(met, sent.command, body) };
  const applied = applyToOwned(definition, body, sent.command);
  if (!applied.ok) return { status: "refused", revision, problem: applied.problem };
  const edit = { revision: revision + 1, editId: sent.editId, command: sent.command };
  return { status: "done", edit, ...applied.value, touches: wanted };
}
