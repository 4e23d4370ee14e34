import { type MidiData, type MidiEvent, parseMidi } from "midi-file";
import type { Ticks } from "../../../base";
import { formatKey, formatPitch, plainKey } from "../../pitch";
import {
  beatUnitOf,
  COMMON_TIME,
  checkMeter,
  countBars,
  type Meter,
  TICKS_PER_QUARTER,
  ticksOfBar,
} from "../../rhythm";
import { type MelodyNote, oneVoice, rangeOfMelody } from "../../song/read";
import { kindOfLabel } from "../chord-text/heading";
import { arrange, type Draft, newDraft } from "../draft";
import { type ChordSheet, EMPTY_SHEET, type SheetExtra, type SheetLine, type SheetLoss } from "../sheet";
import { isWholeMidi } from "./check-midi";

const LARGEST_FILE = 4_000_000;
const MOST_EVENTS = 400_000;
const MOST_BARS = 3000;
const BARS_A_LINE = 4;

const refuse = (text: string): ChordSheet => ({
  ...EMPTY_SHEET,
  problems: [{ code: "bad-file", line: 1, column: 1, text }],
});

type Placed<Value> = { readonly tick: number; readonly value: Value };

type Track = { name: string; drums: boolean; readonly notes: MelodyNote[] };

/** What a file says, with ticks of ours (960 a quarter). */
type Found = {
  tempos: Placed<number>[];
  meters: Placed<Meter>[];
  key: string | null;
  markers: Placed<string>[];
  lyrics: Placed<string>[];
  tracks: Track[];
  title: string;
  end: number;
};

/**
 * Reads a Standard MIDI File (MIDI 1.0): tempo, metre, key, markers as sections, lyrics, the range of each track.
 * It names no chords, so bars stand with N.C. until chords are put there.
 */
export function readMidi(bytes: Uint8Array): ChordSheet {
  if (bytes.length > LARGEST_FILE)
    return refuse("This MIDI file is larger than 4 MB. Take one song at a time.");
  const data = isWholeMidi(bytes) ? parse(bytes) : null;
  if (!data)
    return refuse("This is no MIDI file that can be read; it may be damaged. Nothing was read from it.");
  const { ticksPerBeat } = data.header;
  if (!ticksPerBeat || !(ticksPerBeat > 0))
    return refuse("This MIDI file counts film frames, not beats. Export it again with beats.");
  if (data.tracks.reduce((sum, track) => sum + track.length, 0) > MOST_EVENTS)
    return refuse("This MIDI file holds more events than a song does. Take one song at a time.");
  const found = collect(data, TICKS_PER_QUARTER / ticksPerBeat);
  return sheetOf(found);
}

function parse(bytes: Uint8Array): MidiData | null {
  try {
    const data = parseMidi(bytes);
    const { format, numTracks } = data.header;
    const whole = numTracks === data.tracks.length && numTracks > 0 && data.tracks.flat().every(isWhole);
    return [0, 1].includes(format) && whole ? data : null;
  } catch {
    return null;
  }
}

/** Past the end of a cut file the parser reads numbers that are none. */
const isWhole = (event: MidiEvent): boolean =>
  Number.isInteger(event.deltaTime) &&
  (event.type !== "noteOn" || (event.noteNumber >= 0 && event.noteNumber <= 127)) &&
  (event.type === "noteOn" || event.type === "noteOff" || Object.values(event).every(isSound));

const isSound = (value: unknown): boolean => typeof value !== "number" || Number.isFinite(value);

/** Text is one byte a character in the file; most programs write UTF-8 into it. */
function midiText(text: string): string {
  const bytes = Uint8Array.from(text, (sign) => sign.charCodeAt(0) & 0xff);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}

const clean = (text: string): string => midiText(text).replaceAll(/[\p{Cc}\p{Cs}]/gu, " ");

function collect(data: MidiData, scale: number): Found {
  const found: Found = {
    tempos: [],
    meters: [],
    key: null,
    markers: [],
    lyrics: [],
    tracks: [],
    title: "",
    end: 0,
  };
  for (const [index, track] of data.tracks.entries()) {
    const own: Track = { name: "", drums: false, notes: [] };
    const held = new Map<number, number>();
    let raw = 0;
    for (const event of track) {
      raw += event.deltaTime;
      const tick = Math.round(raw * scale);
      switch (event.type) {
        case "noteOn":
          release(own, held, event.noteNumber, tick);
          held.set(event.noteNumber, tick);
          own.drums ||= event.channel === DRUMS;
          break;
        case "noteOff":
          release(own, held, event.noteNumber, tick);
          break;
        case "setTempo": {
          const bpm = 60_000_000 / event.microsecondsPerBeat;
          if (bpm >= 1 && bpm <= 400) found.tempos.push({ tick, value: Math.round(bpm * 100) / 100 });
          break;
        }
        case "timeSignature": {
          const meter = { beats: event.numerator, unit: event.denominator };
          if (checkMeter(meter).ok) found.meters.push({ tick, value: meter });
          break;
        }
        case "keySignature": {
          const mode = event.scale === 1 ? "minor" : "major";
          if (Math.abs(event.key) <= 7)
            found.key ??= formatKey(plainKey({ tonic: mode === "minor" ? event.key + 3 : event.key, mode }));
          break;
        }
        case "marker":
        case "cuePoint":
          found.markers.push({ tick, value: clean(event.text).trim().slice(0, 80) });
          break;
        case "lyrics":
          found.lyrics.push({ tick, value: clean(event.text) });
          break;
        case "trackName":
          own.name = clean(event.text).trim().slice(0, 80);
          if (index === 0) found.title = own.name;
          break;
      }
      found.end = Math.max(found.end, tick);
    }
    for (const pitch of [...held.keys()]) release(own, held, pitch, Math.round(raw * scale));
    own.notes.sort((a, b) => a.tick - b.tick || b.pitch - a.pitch);
    if (own.notes.length > 0) found.tracks.push(own);
  }
  for (const list of [found.tempos, found.meters, found.markers, found.lyrics])
    list.sort((a, b) => a.tick - b.tick);
  return found;
}

/** Ends a note that sounds. */
function release(track: Track, held: Map<number, number>, pitch: number, tick: number): void {
  const began = held.get(pitch);
  held.delete(pitch);
  if (began !== undefined) track.notes.push({ tick: began, ticks: Math.max(1, tick - began), pitch });
}

/** The channel of drums, from 0. */
const DRUMS = 9;
/** What people call the track of the voice. */
const VOICE_NAME = /voice|vocal|melod|sing|stimme|gesang|voix|chant|voz|canto|voce/iu;
/** A syllable this near a note is sung on it. */
const NEAR: Ticks = 120;

/**
 * The track that is sung: the one on whose notes most syllables fall, half of all at least; without words the one that is named
 * so.
 */
function voiceOf({ tracks, lyrics }: Found): Track | null {
  const pitched = tracks.filter((track) => !track.drums);
  const counts = pitched.map((track) => {
    const onsets = track.notes.map(({ tick }) => tick);
    return lyrics.filter(({ tick }) => isNear(onsets, tick)).length;
  });
  const most = Math.max(0, ...counts);
  if (lyrics.length > 0) return 2 * most >= lyrics.length ? pitched[counts.indexOf(most)]! : null;
  return pitched.find(({ name }) => VOICE_NAME.test(name)) ?? null;
}

/** Whether one of some ticks, in order, is near another. */
function isNear(onsets: readonly number[], tick: number): boolean {
  let [low, high] = [0, onsets.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (onsets[middle]! < tick - NEAR) low = middle + 1;
    else high = middle;
  }
  return low < onsets.length && onsets[low]! <= tick + NEAR;
}

function sheetOf(found: Found): ChordSheet {
  const meter = firstMeter(found);
  const quarters = found.tempos[0]?.value ?? null;
  const losses: SheetLoss[] = [];
  const lose = (what: string, text: string) => losses.push({ line: 0, what, text, kept: false });
  const voice = voiceOf(found);
  const drafts = draftsOf(found, meter, lose, voice ? oneVoice(voice.notes) : []);
  const arranged = arrange(drafts);
  const ranges = found.tracks.map(
    (track, index): SheetExtra => ({
      kind: "comment",
      text: `Track ${track.name || index + 1}: ${rangeInWords(track.notes)}, ${track.notes.length} notes`,
      section: null,
      line: 0,
    }),
  );
  const other = found.tracks.flatMap((track, index) =>
    track === voice ? [] : [track.name || `track ${index + 1}`],
  );
  if (other.length > 0) lose("the music of its tracks", other.join(", "));
  return {
    ...EMPTY_SHEET,
    ...arranged,
    title: found.title,
    extras: [...ranges, ...arranged.extras],
    key: found.key,
    keySure: found.key !== null,
    tempo: quarters,
    beatUnit: quarters !== null && beatUnitOf(meter) !== "1/4" ? "1/4" : null,
    meter,
    problems: found.end === 0 ? [{ code: "no-chords", line: 1, column: 1, text: "" }] : [],
    losses,
  };
}

const rangeInWords = (notes: readonly MelodyNote[]): string => {
  const [low, high] = rangeOfMelody(notes)!;
  return `${formatPitch(low)} to ${formatPitch(high)}`;
};

/** Sections from marker to marker, on whole bars; a change of metre, or of tempo that stays, begins one too. */
function draftsOf(
  found: Found,
  song: Meter,
  lose: (what: string, text: string) => void,
  melody: readonly MelodyNote[],
): Draft[] {
  const bars = barsOf(found);
  if (bars.length === 0) return [];
  const starts = new Map<number, string | null>([[0, null]]);
  for (const { tick, value } of found.markers) {
    const bar = nearestBar(bars, tick);
    if (bars[bar]!.tick !== tick) lose("the exact place of a marker", value);
    if (value !== "") starts.set(bar, value);
  }
  for (const [index, bar] of bars.entries())
    if (index > 0 && bar.meter !== bars[index - 1]!.meter && !starts.has(index)) starts.set(index, null);
  const tempos = stayingTempos(found, bars, lose);
  for (const bar of tempos.keys()) if (!starts.has(bar)) starts.set(bar, null);
  const cuts = [...starts].sort((a, b) => a[0] - b[0]);
  let [sung, note] = [0, 0];
  let tempo: number | null = null;
  let named: string | null = null;
  return cuts.map(([from, marked], index) => {
    const own = bars.slice(from, cuts[index + 1]?.[0] ?? bars.length);
    tempo = tempos.get(from) ?? tempo;
    named = marked ?? named;
    const label = marked ?? (named === null ? null : `${named}, more`);
    const { meter } = own[0]!;
    const plain = meter.beats === song.beats && meter.unit === song.unit;
    const draft = newDraft(label, label === null ? "other" : kindOfLabel(label), 1, {
      shift: 0,
      tempo: tempo === (found.tempos[0]?.value ?? null) ? null : tempo,
      meter: plain ? null : meter,
    });
    for (let at = 0; at < own.length; at += BARS_A_LINE) {
      const line = own.slice(at, at + BARS_A_LINE);
      const until = line.at(-1)!.tick + line.at(-1)!.ticks;
      const first = sung;
      while (sung < found.lyrics.length && found.lyrics[sung]!.tick < until) sung++;
      draft.lines.push(lineOf(line, found.lyrics.slice(first, sung)));
    }
    const until = own.at(-1)!.tick + own.at(-1)!.ticks;
    const notes: MelodyNote[] = [];
    for (; note < melody.length && melody[note]!.tick < until; note++) {
      const { tick, ticks, pitch } = melody[note]!;
      notes.push({ tick: tick - own[0]!.tick, ticks: Math.min(ticks, until - tick), pitch });
    }
    if (notes.length > 0) draft.melody = notes;
    draft.melodyRange = rangeOfMelody(notes);
    return draft;
  });
}

/** Tempos further apart than this share are heard as two. */
const OTHER_TEMPO = 0.03;
/** A change that goes on for fewer bars is a slowing down, or a breath. */
const STAYS = 2;

/** Bars a new tempo begins at, and stays. */
function stayingTempos(
  found: Found,
  bars: readonly BarAt[],
  lose: (what: string, text: string) => void,
): Map<number, number> {
  const tempos = new Map<number, number>();
  let next = 0;
  const inBars = bars.map(({ tick }) => {
    while (next < found.tempos.length && found.tempos[next]!.tick <= tick) next++;
    return found.tempos[next - 1]?.value ?? null;
  });
  const isOther = (a: number | null, b: number | null) =>
    a !== null && b !== null && Math.abs(a - b) > OTHER_TEMPO * b;
  let now = found.tempos[0]?.value ?? null;
  let passing = 0;
  for (const [bar, tempo] of inBars.entries()) {
    if (!isOther(tempo, now)) continue;
    const stays = inBars.slice(bar, bar + STAYS).every((one) => !isOther(one, tempo));
    if (!stays || bar + STAYS > inBars.length) passing++;
    else {
      now = tempo;
      tempos.set(bar, tempo!);
    }
  }
  if (passing > 0) lose("tempo that changes in passing", countBars(passing));
  return tempos;
}

/** The metre a file begins in: one that comes later is a change. */
const firstMeter = ({ meters: [first] }: Found): Meter =>
  first && first.tick < TICKS_PER_QUARTER ? first.value : COMMON_TIME;

type BarAt = { readonly tick: number; readonly ticks: number; readonly meter: Meter };

function barsOf(found: Found): BarAt[] {
  const bars: BarAt[] = [];
  let tick = 0;
  let meter: Meter = firstMeter(found);
  while (tick < found.end && bars.length < MOST_BARS) {
    const now = found.meters.findLast((one) => one.tick <= tick)?.value ?? meter;
    if (now.beats !== meter.beats || now.unit !== meter.unit) meter = now;
    const ticks = ticksOfBar(meter);
    bars.push({ tick, ticks, meter });
    tick += ticks;
  }
  return bars;
}

/** The bar whose beginning is nearest to a tick; the earlier of two. */
function nearestBar(bars: readonly BarAt[], tick: number): number {
  let [low, high] = [0, bars.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (bars[middle]!.tick <= tick) low = middle;
    else high = middle - 1;
  }
  const next = bars[low + 1];
  return next && next.tick - tick < tick - bars[low]!.tick ? low + 1 : low;
}

/** Syllables join where one ends in a hyphen or the next begins without a space. */
function lineOf(bars: readonly BarAt[], lyrics: readonly Placed<string>[]): SheetLine {
  const ticks = bars.reduce((sum, bar) => sum + bar.ticks, 0);
  const spaced = lyrics.some(({ value }) => /\s/u.test(value));
  let words = "";
  for (const { value } of lyrics) {
    const text = value.replaceAll(/^[\\/]/gu, " ");
    const joined = /-$/u.test(words) || (spaced && !/^\s/u.test(text) && !/\s$/u.test(words));
    words = /-$/u.test(words) ? words.slice(0, -1) : words;
    words += joined || words === "" ? text : ` ${text}`;
  }
  const plain = words.replaceAll(/\s+/gu, " ").trim();
  return { words: plain, chords: [{ symbol: "N.C.", at: 0, ticks, guessed: true }] };
}
