import {
  applyToOwned,
  type Body,
  type Command,
  type Definition,
  liftBody,
  type Stored,
  type Tables,
} from "..";

/**
 * Plays edits of the log again from a document's beginning.
 * @param origin how it began, in the form it was stored in then
 * @throws where the beginning or an edit is not sound: the log is ours, and every edit of it applied once
 */
export function replay<T extends Tables>(
  definition: Definition<T>,
  origin: Stored,
  commands: Iterable<Command<NoInfer<T>>>,
): Body<T> {
  const begun = liftBody(definition, origin);
  if (!begun.ok)
    throw new Error(`Expected a sound beginning of a ${definition.kind}.`, { cause: begun.problem });
  let body = begun.value;
  let revision = 0;
  for (const command of commands) {
    revision++;
    const applied = applyToOwned(definition, body, command);
    if (!applied.ok)
      throw new Error(`Expected edit ${revision} of a ${definition.kind} to apply again.`, {
        cause: applied.problem,
      });
    body = applied.value.body;
  }
  return body;
}
