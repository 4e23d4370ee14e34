export const INSTRUMENTS = ["guitar", "bass", "keys", "drums", "voice"] as const;
/** Which names a player reads: of the shapes the hand plays, of what sounds, or as degrees of the key. */
export const READS = ["shapes", "sounding", "degrees"] as const;
/** How letters are written for a player: as they are, with H for B, or as syllables. */
export const WRITINGS = ["letters", "german", "syllables"] as const;

/** How a player reads a line: as tab, as notes with their octave, or the notes beside the tab. */
export const LINE_READS = ["tab", "notes", "both"] as const;

/** The sheets that can be made of a part with chords and a line. */
export const SHEET_VIEWS = ["both", "chords", "line"] as const;
export type SheetView = (typeof SHEET_VIEWS)[number];

/** Characters of a player's name at most. */
export const LONGEST_PLAYER_NAME = 60;
