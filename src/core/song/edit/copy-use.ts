import type { MakeId } from "../../../document";
import type { Outline } from "../read/outline";
import type { VersionBody } from "../schema/documents";
import { copyException } from "./copy-rows";
import type { VersionCommand, VersionStep } from "./edits";
import { add, batch } from "./makers";
import { orderAfter } from "./unfold";

/** Plays a place of the form once more behind itself, with all that is otherwise there and what everybody plays in it. */
export function copyUse(body: VersionBody, outline: Outline, useId: string, makeId: MakeId): VersionCommand {
  const use = body.uses[useId];
  if (!use) return batch("Copy a place in the form", []);
  const id = makeId();
  const order = orderAfter(Object.values(body.uses), use);
  const chordIds = new Map<string, string>();
  const chordOf = (chordId: string | null) => chordId && (chordIds.get(chordId) ?? chordId);
  // What brings lines comes first: a mark may stand at a chord of them.
  const exceptions = (outline.exceptions.get(useId) ?? []).toSorted(
    (a, b) => Number(a.lines.length === 0) - Number(b.lines.length === 0),
  );
  const copied = exceptions.flatMap((one): VersionStep[] => {
    const fields = { useId: id, chordId: chordOf(one.exception.chordId) };
    const made = copyException(one, fields, use.sectionId, makeId, { chordIds });
    for (const [old, fresh] of made.chordIds) chordIds.set(old, fresh);
    return made.commands;
  });
  return batch("Copy a place in the form", [
    add("uses", { ...use, id, originId: use.id, order }),
    ...copied,
    ...Object.values(body.cells)
      .filter((cell) => cell.useId === useId)
      .map((cell) => add("cells", { ...cell, id: makeId(), useId: id })),
    ...Object.values(body.choices)
      .filter((choice) => choice.useId === useId)
      .map((choice) =>
        add("choices", { ...choice, id: makeId(), useId: id, chordId: chordOf(choice.chordId) }),
      ),
  ]);
}
