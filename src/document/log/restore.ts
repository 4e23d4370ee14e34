import { fail, ok, type Result } from "../../base";
import {
  applyEdit,
  type Body,
  type Command,
  checkBody,
  type Definition,
  liftBody,
  type Stored,
  type Tables,
  type Touch,
  touches,
} from "..";

/** A document brought back from its beginning and its edits, with what the log keeps of each. */
export type Restored<T extends Tables = Tables> = {
  readonly origin: Body<T>;
  readonly body: Body<T>;
  readonly edits: readonly {
    readonly revision: number;
    readonly command: Command<T>;
    readonly inverse: Command<T>;
    readonly touches: readonly Touch[];
  }[];
};

/**
 * Brings a document back from a beginning and edits that come from outside: everything is checked.
 * @returns what is wrong, as the end of a sentence, where it can't be
 */
export function restore<T extends Tables>(
  definition: Definition<T>,
  begun: Stored,
  commands: readonly Command<NoInfer<T>>[],
): Result<Restored<T>, string> {
  const origin = liftBody(definition, begun);
  if (!origin.ok)
    return fail(`its ${origin.problem.table} ${origin.problem.field} ${origin.problem.message}`);
  let body = origin.value;
  const edits: Restored<T>["edits"][number][] = [];
  for (const [index, command] of commands.entries()) {
    const applied = applyEdit(definition, body, command);
    if (!applied.ok) return fail(`its edit ${index + 1} does not apply`);
    body = applied.value.body;
    edits.push({
      revision: index + 1,
      command,
      inverse: applied.value.inverse,
      touches: touches(command),
    });
  }
  const checked = checkBody(definition, body);
  if (!checked.ok)
    return fail(`its ${checked.problem.table} ${checked.problem.field} ${checked.problem.message}`);
  return ok({ origin: origin.value, body, edits });
}
