import type { MakeId } from "../../../document";
import { add, set } from "../edit/makers";
import type { CueRow } from "../schema/cues";

import { pairUses } from "./form";
import type { Difference, SectionPair, Side } from "./side";

const FIELDS = ["tick", "sign", "danger"] as const satisfies readonly (keyof CueRow)[];

/** Cues of one's own in uses that both versions have; those of the same words in one use are the same cue. */
export function cueDifferences(
  a: Side,
  b: Side,
  sections: readonly SectionPair[],
  makeId: MakeId,
): Difference[] {
  const nameIn = (side: Side, id: string | null): string | null => side.body.players[id ?? ""]?.name ?? null;
  /** The player of the first version who is called as one of the second; nobody where there is none. */
  const here = (id: string | null): string | null =>
    Object.values(a.body.players).find(({ name }) => name === nameIn(b, id))?.id ?? null;
  const cuesAt = (side: Side, useId: string): CueRow[] =>
    Object.values(side.body.cues)
      .filter((cue) => cue.useId === useId)
      .sort((one, two) => one.tick - two.tick);
  return pairUses(a, b, sections).flatMap(({ a: mine, b: theirs }): Difference[] => {
    if (!mine || !theirs) return [];
    const where = `Cues, ${mine.label ?? a.outline.byId.get(mine.sectionId)?.section.label ?? ""}`;
    const left = cuesAt(b, theirs.id);
    const found = cuesAt(a, mine.id).flatMap((cue): Difference[] => {
      const at = left.findIndex(({ text }) => text === cue.text);
      const [there] = at < 0 ? [] : left.splice(at, 1);
      const about = { id: `cue ${cue.id}`, where };
      if (!there)
        return [
          { ...about, words: `“${cue.text}” only here`, take: { type: "remove", table: "cues", id: cue.id } },
        ];
      const fields = FIELDS.filter((field) => cue[field] !== there[field]);
      const isOfAnother =
        nameIn(a, cue.playerId) !== nameIn(b, there.playerId) ||
        nameIn(a, cue.giverId) !== nameIn(b, there.giverId);
      if (fields.length === 0 && !isOfAnother) return [];
      const change = {
        ...Object.fromEntries(fields.map((field) => [field, there[field]])),
        ...(fields.includes("tick") ? { wordId: null } : {}),
        ...(isOfAnother ? { playerId: here(there.playerId), giverId: here(there.giverId) } : {}),
      };
      return [{ ...about, words: `“${cue.text}” otherwise there`, take: set("cues", cue.id, change) }];
    });
    const missing = left.map((cue): Difference => {
      const row = {
        ...cue,
        id: makeId(),
        useId: mine.id,
        wordId: null,
        playerId: here(cue.playerId),
        giverId: here(cue.giverId),
      };
      return { id: `cue ${cue.id}`, where, words: `“${cue.text}” only there`, take: add("cues", row) };
    });
    return [...found, ...missing];
  });
}
