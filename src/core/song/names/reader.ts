import { unwrap } from "../../../base";
import { type Accidentals, parseTuning, type Tuning, tuningShift } from "../../pitch";
import { hasStrings, sheetCapo, tuningOf, usualTuning } from "../read";
import type { VersionBody } from "../schema/documents";
import type { Player } from "../schema/players";
import type { LINE_READS, READS, WRITINGS } from "../schema/reads";

/** What names are told of: of what sounds, of the shapes a hand plays, or as degrees of the key. */
type Shows = (typeof READS)[number];

/** The custom letters are written by. */
type Writing = (typeof WRITINGS)[number];

/** How a line is read: as tab, as notes with their octave, or both. */
export type LineReads = (typeof LINE_READS)[number];

/** Who reads names: the strings and capo they are played with, and by what custom they are read. */
export type Reader = {
  /** Empty for who has no strings: shapes are then what sounds. */
  readonly tuning: Tuning;
  readonly capo: number;
  readonly shows: Shows;
  readonly writing: Writing;
  readonly accidentals: Accidentals;
  /** How a line is read. */
  readonly lines: LineReads;
};

/** Nobody in particular: what sounds, in letters, as the key has it. */
export const PLAIN_READER: Reader = Object.freeze({
  tuning: [],
  capo: 0,
  shows: "sounding",
  writing: "letters",
  accidentals: "key",
  lines: "tab",
});

type Hand = Pick<Player, "tuning" | "instrument" | "reads" | "writing" | "accidentals" | "lines">;

/**
 * What a player reads before they choose: a guitar its shapes, and so does whatever is evenly tuned down or up, which keeps
 * its old names; others what sounds. Common practice, no source.
 */
export const usualReads = (player: Pick<Hand, "tuning" | "instrument">): "shapes" | "sounding" =>
  player.instrument === "guitar" || tuningShift(tuningOf(player)) !== 0 ? "shapes" : "sounding";

/** A player as a reader behind a capo. Who has no strings reads a line by its notes. */
export function readerOf(player: Hand, capo: number): Reader {
  const { writing, accidentals } = player;
  const lines = hasStrings(player) ? player.lines : "notes";
  const shows = player.reads ?? usualReads(player);
  return { tuning: tuningOf(player), capo, shows, writing, accidentals, lines };
}

/**
 * How somebody at a window wants names told; null leaves each player's own. Kept beside the song, not in it.
 * @example { shows: "shapes", of: "Maren", writing: "syllables", accidentals: null, lines: null }
 */
export type NamesChoice = {
  readonly shows: Shows | null;
  /**
   * Whose shapes are told where no player is spoken of, by name, so that it holds in every version and song they are in; null,
   * or nobody there, is the sheet's capo.
   */
  readonly of: string | null;
  readonly writing: Writing | null;
  readonly accidentals: Accidentals | null;
  readonly lines: LineReads | null;
};

/** Each their own. */
export const OWN_NAMES: NamesChoice = Object.freeze({
  shows: null,
  of: null,
  writing: null,
  accidentals: null,
  lines: null,
});

/** Somebody who is spoken of, and the capo they have there. */
export type Whose = { readonly player: Player; readonly capo: number };

/**
 * Who a window's names are told for.
 * @param whose the player spoken of, or null where the song itself is
 * @example a sheet of shapes behind capo 2 and nothing chosen: the song is told in those shapes, a bass in what sounds
 */
export function readerBy(
  choice: NamesChoice,
  body: Pick<VersionBody, "version" | "extras" | "players">,
  whose: Whose | null,
): Reader {
  const own = whose ? readerOf(whose.player, whose.capo) : songReader(choice, body);
  return {
    ...own,
    shows: choice.shows ?? own.shows,
    writing: choice.writing ?? own.writing,
    accidentals: choice.accidentals ?? own.accidentals,
    lines: whose && !hasStrings(whose.player) ? own.lines : (choice.lines ?? own.lines),
  };
}

/** Who reads the song itself: the one whose shapes were chosen, else the sheet's capo. */
function songReader(
  { shows, of }: NamesChoice,
  body: Pick<VersionBody, "version" | "extras" | "players">,
): Reader {
  const player = shows === "shapes" ? Object.values(body.players).find(({ name }) => name === of) : undefined;
  if (player) return readerOf(player, player.capo);
  const capo = sheetCapo(body);
  const tuning = unwrap(parseTuning(usualTuning("guitar")));
  return capo > 0 ? { ...PLAIN_READER, tuning, capo, shows: "shapes" } : PLAIN_READER;
}
