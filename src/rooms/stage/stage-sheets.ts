import type { Ticks } from "@/base";
import { type Cue, standingOf } from "@/core/cues";
import { lineFingers } from "@/core/fretboard";
import {
  bandSheet,
  describePart,
  isOnlyLine,
  isOnRoots,
  lineStrokes,
  ONLOOKER,
  type PatternUse,
  patternOfPart,
  playedIn,
  playedNotes,
  playedStrokes,
  playerPart,
  type SheetPart,
  signOfStroke,
  silenceOf,
} from "@/core/parts";
import { beatsOfBar, beatUnitOf, countAt, drawnPattern, tempoMs, ticksOfBeatUnit } from "@/core/rhythm";
import { differsIn, tellDiffers } from "@/core/song/compare";
import { clockOf, tellBarNumber, tellUnder, tellWord } from "@/core/song/moments";
import { describePlaying, lineNames, Namer, type NamesChoice, OWN_NAMES, readerBy } from "@/core/song/names";
import {
  barsIn,
  beatUnitOfUse,
  describeException,
  describeUse,
  exceptionsAt,
  isOut,
  isPlayed,
  MARKS,
  marksPlayed,
  meterOf,
  notesOf,
  type Outline,
  outlineOf,
  type Passage,
  type StrokePlaced,
  spansOfForm,
  type TimedLine,
  timelineOf,
  versionRow,
} from "@/core/song/read";
import type { Exception, ExceptionKind, Player, Riff, VersionBody } from "@/core/song/schema";
import { tellSound, tellSoundMoves } from "@/core/sounds";
import {
  passageId,
  type StageCue,
  type StageFeet,
  type StageLine,
  type StagePart,
  type StagePress,
  type StageRiff,
  type StageShape,
  type StageSheet,
  type StageStrum,
} from "@/core/stage";
import { type Playing, piecesOf } from "@/ui/pieces";
import { BEFORE_CHANGE, SHORT_CHORDS } from "@/ui/pretty";
import { entriesOf } from "./waits";

/** What is otherwise and stands on the sheet as it is: it need not be said beside it. */
const WRITTEN_OUT: ReadonlySet<ExceptionKind> = new Set(["line", "words", "chords", "chord"]);

/**
 * Everything a player's stage and print show, worked out once.
 * @param cues the song's cues, where feet and cues of one's own are wanted
 * @param choice how names are told; as the player reads when left out
 * @param feet what the player's feet follow the song by
 */
export function stagePart(
  body: VersionBody,
  player: Player,
  cues: readonly Cue[] = [],
  choice: NamesChoice = OWN_NAMES,
  feet: StageFeet | null = null,
): StagePart {
  const version = versionRow(body);
  const meter = meterOf(body);
  const part = playerPart(body, player, (capo) => readerBy(choice, body, { player, capo }));
  const outline = outlineOf(body);
  const notes = notesOf(body);
  const passages = part.passages.map(({ passage }) => passage);
  const differs = differsIn({ passages }, outline, version.beatUnit);
  const entries = entriesOf(part.passages);
  const saidOf = (passage: Passage, nameOf: (symbol: string) => string, key: string) => {
    const all = exceptionsAt(outline, passage.use);
    // Of a mark the section makes and one the use makes of the same chord, only the use's counts; 0 takes it back.
    const marks = new Set(marksPlayed(all, passage.lines, passage.turn).map(({ exception }) => exception.id));
    const counts = ({ id, kind, ticks, cued }: Exception): boolean =>
      !MARKS.has(kind) || (marks.has(id) && (ticks > 0 || cued || kind === "tacet"));
    const played = all.filter(
      ({ exception }) =>
        !WRITTEN_OUT.has(exception.kind) && isPlayed(exception, passage.turn) && counts(exception),
    );
    const tell = (list: typeof played): string[] =>
      list.map((one) => describeException(one, passage.use, outline, version, nameOf));
    const words = [...(notes.get(passage.section.id)?.values() ?? [])].flat();
    const comments = words.flatMap((note) => (note.kind === "words" && note.text !== "" ? [note.text] : []));
    const other = differs.get(passage);
    const isDrawn = ({ exception: { kind } }: (typeof played)[number]) => MARKS.has(kind) && kind !== "tacet";
    return {
      otherwise: [
        ...describeUse(passage.use, key),
        ...(other ? [tellDiffers(other, nameOf)] : []),
        ...tell(played.filter((one) => !isDrawn(one))),
        ...comments,
      ],
      drawn: tell(played.filter(isDrawn)),
    };
  };
  const following = playingOf(part.passages);
  const rows = new Map(bandSheet(body, outline).rows.map((row) => [row.use.id, row]));
  const movesIn = movesOf(body, player.id, outline);
  const partOf = (useId: string) => rows.get(useId)?.parts.find((one) => one.player.id === player.id);
  const howOf = (useId: string, label: string): string[] => {
    const own = partOf(useId);
    if (!own) return [];
    const strum = body.strums[own.cell.strumId.value ?? ""]?.name ?? null;
    const how = describePart(own, strum, (id) => body.players[id]?.name ?? "", label);
    if (own.out) return how;
    const sound = own.cell.sound.value;
    const holds = sound === "" ? "" : tellSound(body, player.id, sound);
    const named = `sound: ${sound}`;
    const told = how.map((one) => (holds !== "" && one === named ? `${named} (${holds})` : one));
    return [...told, ...movesIn(useId)];
  };
  const sheets = part.passages.map(({ passage, cell, namer, lines, chords, shapes }): StageSheet => {
    const nameOf = (symbol: string) => {
      const chord = chords.get(symbol);
      return { name: chord?.name ?? symbol, readable: chord?.readable ?? false };
    };
    const out = isOut(cell);
    const own = partOf(passage.use.id);
    const silence = silenceOf(cell, passage);
    const anchor = body.strums[own?.cell.strumId.value ?? ""]?.anchor ?? "chord";
    const struck = own ? playedStrokes(own, passage, anchor) : [];
    // Of a free strum no stroke is said: none stands over a word.
    const strokesIn = strokesOf(own?.pattern?.free ? [] : struck);
    return {
      id: passageId(passage),
      label: passage.label,
      kind: passage.section.kind,
      round: passage.use.repeat > 1 ? `${passage.round + 1} of ${passage.use.repeat}` : "",
      bars: passage.bars.length,
      firstBar: passage.bars[0]?.number ?? 0,
      light: out ? 0 : cell.light.value,
      role: out ? "out" : cell.role.value,
      note: cell.note.value,
      how: howOf(passage.use.id, passage.label),
      line: own && hasLine(own) && !out ? lineOf(own, passage, namer, silence) : null,
      strum: own && !out ? strumOf(own, struck, passage) : null,
      ...saidOf(passage, (symbol) => nameOf(symbol).name, namer.keyName()),
      beatsInBar: beatsOfBar(passage.meter, beatUnitOfUse(version, passage.use)),
      capo: cell.capo.value,
      hand: describePlaying({ ...player, capo: cell.capo.value }, namer, player.instrument === "guitar"),
      lines: lines.map(({ timed, sum }): StageLine => {
        const playing = { ...following.get(timed)!, tacet: passage.tacet, isSilent: silence, strokesIn };
        const pieces = piecesOf(timed.outline, sum, beatUnitOfUse(version, passage.use), nameOf, playing);
        return { id: timed.outline.line.id, pieces, starts: startsOf(timed, pieces.length, passage) };
      }),
      shapes: out || (own && isOnlyLine(own)) ? [] : shapesOf(shapes),
      waits: entries.get(passage) ?? null,
      standing: own ? standingOf(own) : null,
      enters: own ? (playedIn({ cell, passage })[0]?.[0] ?? null) : 0,
      optional: cell.optional.value,
      feet: feetIn(passage, player, cues),
      cues: cuesIn(passage, player, cues),
    };
  });
  const seconds = part.passages.reduce(
    (sum, { passage }) => sum + tempoMs(passage.ticks, passage.tempo) / 1000,
    0,
  );
  return {
    plays: player.id !== ONLOOKER.id,
    player: player.name,
    playerId: player.id,
    instrument: player.instrument,
    capo: player.capo,
    leftHanded: player.leftHanded,
    sheet: player.sheet,
    hand: describePlaying(
      player,
      new Namer(body, readerBy(choice, body, { player, capo: player.capo })),
      player.instrument === "guitar",
    ),
    bpm: version.bpm,
    meter: `${meter.beats}/${meter.unit}`,
    beatsInBar: beatsOfBar(meter, version.beatUnit),
    seconds,
    feet,
    sheets,
  };
}

/** How each line of the song is played, and the chord that comes after it. */
function playingOf(
  passages: ReturnType<typeof playerPart>["passages"],
): ReadonlyMap<TimedLine, Pick<Playing, "events" | "next">> {
  const found = new Map<TimedLine, Pick<Playing, "events" | "next">>();
  let next: Playing["next"] = null;
  for (const { lines, chords } of passages.toReversed())
    for (const { timed } of lines.toReversed()) {
      found.set(timed, { events: timed.events, next });
      const [first, event] = [timed.outline.chords[0], timed.events[0]];
      const named = chords.get(first?.chord.symbol ?? "");
      if (first && event)
        next = { name: named?.name ?? first.chord.symbol, readable: named?.readable ?? false, event };
    }
  return found;
}

/** When the patterns of a part are played. */
const WHEN: Readonly<Record<PatternUse, string>> = { usual: "", short: SHORT_CHORDS, fill: BEFORE_CHANGE };

/** The strum of a part as its reader plays it; where none is written, the one its way of playing usually is. */
function strumOf(
  part: SheetPart,
  struck: ReturnType<typeof playedStrokes>,
  passage: Passage,
): StageStrum | null {
  const { tempo } = passage;
  const { pattern, shortPattern, fillPattern } = part;
  if (!pattern) {
    const usual = patternOfPart(part, passage.meter);
    return usual
      ? {
          patterns: [{ pattern: usual, drawn: drawnPattern(usual), when: "" }],
          tempo,
          ticks: [],
          at: [],
          of: [],
        }
      : null;
  }
  const own = { usual: pattern, short: shortPattern, fill: fillPattern };
  // Where no chord is short, or none changes, there is nothing of that pattern to read.
  const used = (["usual", "short", "fill"] as const).filter(
    (use) => use === "usual" || struck.some(({ of }) => of === use),
  );
  return {
    tempo,
    patterns: used.map((use) => ({
      pattern: own[use]!,
      drawn: drawnPattern(own[use]!, use === "fill"),
      when: WHEN[use],
    })),
    ticks: struck.map(({ tick }) => tick - passage.tick),
    at: struck.map(({ at }) => at),
    of: struck.map(({ of }) => used.indexOf(of)),
  };
}

/** Strokes between two ticks, at their shares of that time. */
const strokesOf =
  (strokes: ReturnType<typeof playedStrokes>) =>
  (from: Ticks, to: Ticks): StrokePlaced[] =>
    strokes
      .filter(({ tick }) => tick >= from && tick < to)
      .map((one) => ({
        at: (one.tick - from) / Math.max(1, to - from),
        sign: signOfStroke(one),
        strong: "weight" in one.stroke && one.stroke.weight > 2,
      }));

/** A line of the part in its reader's names, as it is played this time through the section. */
function lineOf(
  { riff, notes, cell }: SheetPart & { readonly riff: Riff },
  passage: Passage,
  namer: Namer,
  isSilent: (from: Ticks, to: Ticks) => boolean,
): StageRiff {
  const { strings, nameOf } = lineNames(riff, namer);
  // The same fingers each time round.
  const fingers = lineFingers(notes, riff);
  const fingered = notes.map((note, at) => ({ ...note, finger: fingers[at] ?? null }));
  const all = playedNotes(
    fingered,
    riff.ticks,
    passage,
    (tick) => isSilent(tick, tick + 1),
    cell,
    isOnRoots(riff),
  );
  // They are this time's: nothing more is to be said of it.
  const played = all.map((note) => ({ ...note, round: null, times: "only" as const }));
  // The hand swings by the bars, and a pickup lies before the first.
  const { pickup } = passage.section;
  const byBars = played.map((note) => ({ ...note, tick: note.tick - pickup }));
  return {
    name: riff.name,
    tuning: riff.tuning.length,
    notes: played,
    bars: barsIn(passage).map(({ tick }) => tick - passage.tick),
    ticks: passage.ticks,
    beat: ticksOfBeatUnit(beatUnitOf(passage.meter))!,
    strings,
    names: played.map(nameOf),
    reads: namer.lines,
    strokes: lineStrokes(riff, byBars, passage.meter),
    fingers: played.map(({ finger }) => finger),
    counts: byBars.map(({ tick }) => countAt(tick, passage.meter)),
  };
}

const hasLine = (part: SheetPart): part is SheetPart & { readonly riff: Riff } => part.riff !== null;

/** When each piece of a line begins, in ticks of its passage; words before the first chord begin with the line. */
function startsOf(timed: Passage["lines"][number], pieces: number, passage: Passage): number[] {
  const hasHead = (timed.outline.chords[0]?.at ?? 1) > 0 && pieces > timed.events.length;
  const heads = hasHead || timed.events.length === 0 ? 1 : 0;
  const end = timed.events.at(-1);
  return Array.from({ length: pieces }, (_, at) => {
    const event = timed.events[at - heads];
    // Past the last chord stands the next line's, which comes early.
    const tick = event?.tick ?? (at < heads || !end ? timed.tick : end.tick + end.ticks);
    return tick - passage.tick;
  });
}

const inPassage = (passage: Passage, { tick }: Cue): boolean =>
  tick >= passage.tick && tick < passage.tick + passage.ticks;

/** What happens for a player, or for everybody, in one time through a section. */
const cuesIn = (passage: Passage, player: Player, cues: readonly Cue[]): StageCue[] =>
  cues
    .filter((cue) => inPassage(passage, cue) && (cue.playerId === null || cue.playerId === player.id))
    .map(({ id, kind, text, tick }) => ({
      id,
      kind,
      text,
      passage: passageId(passage),
      tick: tick - passage.tick,
    }));

/** The moves a player makes in each use, in words; the song's clock is made only where there are any. */
function movesOf(body: VersionBody, playerId: string, outline: Outline): (useId: string) => string[] {
  if (!Object.values(body.soundMoves).some((row) => row.playerId === playerId)) return () => [];
  const spans = spansOfForm(timelineOf(body, outline));
  const clock = clockOf(spans);
  return (useId) => {
    const span = spans.find(({ use }) => use.id === useId);
    return span ? tellSoundMoves(body, playerId, span, clock) : [];
  };
}

/** Presses of a player in one time through a section, and cues of one's own that are theirs or everybody's. */
function feetIn(passage: Passage, player: Player, cues: readonly Cue[]): StagePress[] {
  return cues
    .filter(
      (cue) =>
        inPassage(passage, cue) &&
        ((cue.kind === "press" && cue.playerId === player.id) ||
          (cue.kind === "own" && (cue.playerId === null || cue.playerId === player.id))),
    )
    .map(({ kind, text, moment }) => ({
      text,
      own: kind === "own",
      place: tellUnder(moment, passage.use.id),
      words: tellWord(moment),
    }));
}

const shapesOf = (held: ReturnType<typeof playerPart>["passages"][number]["shapes"]): StageShape[] =>
  held.map(({ name, shape, really, fromBar }) => ({
    name,
    really,
    where: fromBar === null ? null : `from ${tellBarNumber(fromBar)}`,
    frets: shape.frets,
    fingers: shape.fingers,
  }));
