import type { Ticks } from "../../../base";

import { set, type VersionCommand } from "../../song/edit";
import type { VersionBody } from "../../song/schema";
import type { Cue } from "../cue";
import { setCue } from "../own-cue";

/** Beats by which a cue is offered to move. */
const BEATS = [-4, -2, -1, 1, 2, 4] as const;

/** Whether a cue's place is anybody's to choose: one's own, and small moves of a knob. Presses stand where the plan has them. */
const isMovable = ({ own, move }: Cue): boolean => own !== null || move !== null;

/**
 * How far a cue may be moved, in ticks: by whole beats, within its section.
 * @param span where its section begins and ends, in ticks of the song
 */
export const movesOfCue = (
  cue: Cue,
  span: { readonly from: Ticks; readonly to: Ticks },
  beatTicks: Ticks,
): Ticks[] =>
  isMovable(cue)
    ? BEATS.map((beats) => beats * beatTicks).filter(
        (by) => cue.tick + by >= span.from && cue.tick + by < span.to,
      )
    : [];

/** Moves a cue of one's own or a small move by so many ticks. What hung on a word is then at its beat. */
export function moveCue(body: VersionBody, cue: Cue, useFrom: Ticks, by: Ticks): VersionCommand | null {
  if (cue.own) return setCue(cue.own.id, { tick: cue.tick - useFrom + by, wordId: null });
  const row = cue.move ? body.soundMoves[cue.move.rowId] : undefined;
  if (!cue.move || !row) return null;
  const moves = row.moves.map((one, at) =>
    at === cue.move!.at ? { ...one, from: one.from + by, to: one.to + by } : one,
  );
  return set("soundMoves", row.id, { moves });
}
