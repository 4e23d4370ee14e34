import { parseChord } from "../chord";
import { HIGHEST_CAPO } from "../fretboard";
import { beatsOfTicks, tempoMs } from "../rhythm";
import { type CellIndex, isOut, type Passage, resolveCell, type Timeline, versionRow } from "../song/read";
import type { Player, VersionBody } from "../song/schema";

/** What a use raised against the passage before it asks of a guitar with a capo. */
export type Raised = {
  readonly passage: Passage;
  /** Semitones above the passage before. */
  readonly by: number;
  readonly capoNow: number;
  /** The capo that keeps the shapes; null when it lies off the neck. */
  readonly capoMoved: number | null;
  /** Beats this player is silent just before, and how long that lasts. */
  readonly restBeats: number;
  readonly restMs: number;
};

/** Every place where the song is raised or lowered, for one player. */
export function raisedPassages(
  body: Pick<VersionBody, "version">,
  timeline: Timeline,
  index: CellIndex,
  player: Player,
): Raised[] {
  const version = versionRow(body);
  return timeline.passages.flatMap((passage, at): Raised[] => {
    const before = timeline.passages[at - 1];
    if (!before || before.shift === passage.shift) return [];
    const by = passage.shift - before.shift;
    const capoNow = resolveCell(index, before.use, player).capo.value;
    const moved = capoNow + by;
    const rest = restBefore(timeline.passages, at, index, player);
    return [
      {
        passage,
        by,
        capoNow,
        capoMoved: moved >= 0 && moved <= HIGHEST_CAPO ? moved : null,
        restBeats: beatsOfTicks(rest, version.beatUnit),
        restMs: tempoMs(rest, before.tempo),
      },
    ];
  });
}

/** Ticks of silence of a player just before a passage: sections they sit out, no chord, stops. */
function restBefore(passages: readonly Passage[], at: number, index: CellIndex, player: Player): number {
  let rest = 0;
  for (const passage of passages.slice(0, at).toReversed()) {
    const cell = resolveCell(index, passage.use, player);
    if (isOut(cell)) {
      rest += passage.ticks;
      continue;
    }
    for (const line of passage.lines.toReversed()) {
      for (const [place, { chord }] of [...line.outline.chords.entries()].toReversed()) {
        const event = line.events[place]!;
        const read = parseChord(chord.symbol);
        const sounds = read.ok && read.value.kind === "none" ? 0 : event.sounds;
        rest += event.ticks - sounds;
        if (sounds > 0) return rest;
      }
    }
  }
  return rest;
}
