import { parseChord } from "../../chord";
import { parsePitch } from "../../pitch";
import { ticksOfBar } from "../../rhythm";
import { versionRow } from "../../song/read";
import type { Player, VersionBody } from "../../song/schema";
import type { BandSheet, SheetRow } from "../band";
import {
  SPLIT_WEIGHTS,
  type SplitCase,
  type SplitPlayer,
  type SplitSection,
  type SplitWeights,
} from "./case";

/** In a song everybody would rather play: bars out count a little. Ours, no source. */
export const SONG_WEIGHTS: SplitWeights = Object.freeze({ ...SPLIT_WEIGHTS, idle: 0.1 });

/** How high above its open strings a neck is used, and where keys and drums lie; MIDI. */
const FRETS_USED = 15;
const KEYS_RANGE = [36, 84] as const;
const MOST_PLAYERS = 8;

/**
 * A song as a case for {@link splitSong}: a section for each use, a player for each who is there. Singers without an
 * instrument are left out: what they sing is each section's voice.
 * @param away ids of players who are not there
 */
export function splitCaseOf(
  body: VersionBody,
  sheet: BandSheet,
  away: ReadonlySet<string>,
  weights: SplitWeights = SONG_WEIGHTS,
): SplitCase {
  const version = versionRow(body);
  const players = sheet.players
    .filter((player) => player.instrument !== "voice" && !away.has(player.id))
    .slice(0, MOST_PLAYERS)
    .map(splitPlayer);
  return {
    meter: { beats: version.meterBeats, unit: version.meterUnit },
    sections: sheet.rows.map(splitSection),
    players,
    weights,
    anyRole: false,
  };
}

/** A player of a song, by what they reach and can do. */
export function splitPlayer(player: Player): SplitPlayer {
  const tuning = player.tuning.flatMap((text) => {
    const pitch = parsePitch(text);
    return pitch.ok ? [pitch.value] : [];
  });
  const open = tuning.map((pitch) => pitch + player.capo);
  const range: SplitPlayer["range"] =
    open.length === 0 ? KEYS_RANGE : [Math.min(...open), Math.max(...open) + FRETS_USED - player.capo];
  const { id, instrument, capo, level, sings, loops } = player;
  return { id, instrument, tuning, capo, level, range, sings, loops };
}

/** What a section whose energy nobody said has: a chorus is full, an intro is not. Ours, no source. */
const USUAL_ENERGY: Readonly<Record<SheetRow["section"]["kind"], number>> = Object.freeze({
  intro: 1,
  verse: 2,
  "pre-chorus": 2,
  chorus: 3,
  bridge: 2,
  instrumental: 2,
  solo: 3,
  tag: 2,
  outro: 1,
  other: 2,
});

/** A use of a song, by what it asks for. */
export function splitSection(row: SheetRow): SplitSection {
  const bar = ticksOfBar(row.passage.meter);
  const chordBars = new Set<number>();
  for (const line of row.passage.lines)
    for (const [at, { chord }] of line.outline.chords.entries()) {
      const read = parseChord(chord.symbol);
      const event = line.events[at]!;
      if (!read.ok || read.value.kind === "none") continue;
      const from = event.tick - row.passage.tick;
      for (let one = Math.max(0, Math.floor(from / bar)); one * bar < from + event.sounds; one++)
        chordBars.add(one);
    }
  return {
    id: row.use.id,
    bars: Math.max(1, row.bars),
    chordBars: [...chordBars].filter((one) => one < Math.max(1, row.bars)),
    voice: row.sung && { low: row.sung[0], high: row.sung[1] },
    // Where chords are played somebody plays them: no section is wanted dark.
    energy: Math.max(chordBars.size > 0 ? 1 : 0, row.energy ?? USUAL_ENERGY[row.section.kind]),
    // What nobody said counts as needed: a song without a bass is the exception.
    bass: row.bass ?? "needed",
  };
}
