import type { CueKind, Standing } from "../cues";
import type { LineFinger, NoteStroke, TabNote } from "../fretboard";
import type { DrawnPattern, Pattern, Tempo } from "../rhythm";
import type { LineReads } from "../song/names";
import type { SungPiece } from "../song/read";
import type { Player, SectionKind, SheetView } from "../song/schema";
import type { StageFeet } from "./feet";

export type StageShape = {
  readonly name: string;
  /** The other chord a chosen shape really makes, or null. */
  readonly really: string | null;
  /** Where it is held, of a chord with several shapes in one passage: "from bar 5"; null where it has one. */
  readonly where: string | null;
  readonly frets: readonly (number | null)[];
  readonly fingers: readonly (number | "T" | null)[];
};

/** One time through a section as a player sees it on stage or on paper: plain data, names already theirs. */
export type StageSheet = {
  readonly id: string;
  readonly label: string;
  readonly kind: SectionKind;
  readonly round: string;
  readonly bars: number;
  readonly firstBar: number;
  readonly light: number;
  readonly role: Player["role"];
  readonly note: string;
  /** The line of the part in tab, or null. */
  readonly line: StageRiff | null;
  /** The strum or picking pattern of the part, or null. */
  readonly strum: StageStrum | null;
  /** How long the player waits from its begin until they come in; null where they play from its first bar, or no more. */
  readonly waits: StageWait | null;
  /** How the player stands in it, for what they do otherwise than before; null for who reads along. */
  readonly standing: Standing | null;
  /** The bar they come in at, from 0; null where they are silent all through. */
  readonly enters: number | null;
  /** Whether the part may be played or not. */
  readonly optional: boolean;
  /** How it is played: pattern or technique, line, sound, bars. */
  readonly how: readonly string[];
  /** What is otherwise this time (other chords, another ending, a raised key, another tempo) and the sheet's own remarks. */
  readonly otherwise: readonly string[];
  /** What is drawn where it sounds (early, late, held, choked, stopped), in words for who reads. */
  readonly drawn: readonly string[];
  readonly beatsInBar: number;
  readonly capo: number;
  /** Capo, tuning and key of the names here, in words. */
  readonly hand: string;
  readonly lines: readonly StageLine[];
  readonly shapes: readonly StageShape[];
  /** What this player's feet press in it, and cues of the band's own. */
  readonly feet: readonly StagePress[];
  /** Everything that happens in it for this player or for all, with its tick from where the passage begins. */
  readonly cues: readonly StageCue[];
};

/** A line as it is played in one time through a section, with the names its reader has for its strings and notes. */
export type StageRiff = {
  readonly name: string;
  /** How many strings there are. */
  readonly tuning: number;
  /** At their ticks from where the passage begins. */
  readonly notes: readonly TabNote[];
  /** Where its bars begin, without a pickup, and where it ends. */
  readonly bars: readonly number[];
  readonly ticks: number;
  /** Ticks of a beat. */
  readonly beat: number;
  readonly strings: readonly string[];
  /** A name a note, in their order. */
  readonly names: readonly string[];
  readonly reads: LineReads;
  /** How each note is struck, in their order. */
  readonly strokes: readonly (NoteStroke | null)[];
  /** The finger each note is fretted with, in their order. */
  readonly fingers: readonly (LineFinger | null)[];
  /** What is counted where each note is struck, in their order; "" where it has no usual name. */
  readonly counts: readonly string[];
};

/** A pattern of a part with when it is played, in words; "" for the usual one. */
export type StagePattern = {
  readonly pattern: Pattern;
  readonly drawn: DrawnPattern;
  readonly when: string;
};

/**
 * The patterns of a part in a passage, the usual one first, with where their strokes fall: at `ticks[i]` from its begin the
 * stroke `at[i]` of the pattern `of[i]`.
 */
export type StageStrum = {
  readonly patterns: readonly StagePattern[];
  readonly tempo: Tempo;
  readonly ticks: readonly number[];
  readonly at: readonly number[];
  readonly of: readonly number[];
};

/** Bars until a player comes in, and the section they come in at, as it is called there. */
export type StageWait = { readonly bars: number; readonly label: string };

export type StageLine = {
  readonly id: string;
  readonly pieces: readonly SungPiece[];
  /** Where each piece begins, in ticks from where the passage begins. */
  readonly starts: readonly number[];
};

export type StageCue = {
  readonly id: string;
  readonly kind: CueKind;
  readonly text: string;
  /** The passage it falls in. */
  readonly passage: string;
  readonly tick: number;
};

/** A press, or a cue of one's own, with its bar and beat in the section and what is sung then. */
export type StagePress = {
  readonly text: string;
  readonly place: string;
  readonly words: string;
  /** Whether it is a cue of one's own, not a press. */
  readonly own: boolean;
};

export type StagePart = {
  /** Whether they play in it; else words and chords are there to read along. */
  readonly plays: boolean;
  readonly player: string;
  readonly playerId: string;
  readonly instrument: Player["instrument"];
  readonly capo: number;
  readonly leftHanded: boolean;
  /** What its player is given of a part with chords and a line. */
  readonly sheet: SheetView;
  /** Capo, tuning and key of the names at the begin, in words. */
  readonly hand: string;
  readonly bpm: number;
  readonly meter: string;
  readonly beatsInBar: number;
  readonly seconds: number;
  /** What its player's feet need to follow the song wherever it goes; null without a described box. */
  readonly feet: StageFeet | null;
  readonly sheets: readonly StageSheet[];
};

/** What one person gets ready before a song, and who begins it. */
export type StageReady = {
  /** What they change, in words, and how long that takes, s. */
  readonly changes: readonly string[];
  readonly seconds: number;
  /** Who plays from the first bar on. */
  readonly begins: readonly string[];
};

/** A song of an evening as one person plays it, or reads along. */
export type PackedSong = {
  readonly itemId: string;
  readonly versionId: string;
  readonly revision: number;
  readonly part: StagePart;
  readonly ready: StageReady;
};

/** Everything one person needs for an evening, to be kept on their own device. */
export type StagePack = { readonly person: string; readonly songs: readonly PackedSong[] };
