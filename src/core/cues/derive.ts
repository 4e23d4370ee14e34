import type { Ticks } from "../../base";
import { describePress, type FootPress, hasLoopBox, looperPlayer } from "../loops";
import { type BandSheet, playsInBar, type SheetPart } from "../parts";
import { describeSemitones } from "../pitch";
import { countBeats, ticksOfBeatUnit } from "../rhythm";
import { differsIn, tellDiffers } from "../song/compare";
import { clockOf, type SongClock, tellBar } from "../song/moments";
import { type Namer, namerByShift } from "../song/names";
import {
  barsAt,
  barsIn,
  outlineOf,
  type Passage,
  spansOfForm,
  type Timeline,
  tickOfBar,
  type UseSpan,
  versionRow,
} from "../song/read";
import { describeSetting, type Player, type VersionBody } from "../song/schema";
import { describeAct, hasSoundBox, type SongTones, type TonePress } from "../sounds";
import type { Cue, CueKind } from "./cue";
import { ownCues, tickOfCue } from "./own-cue";
import { handCues, type Standing, standingAfter } from "./standing";

/** What the other rooms have planned, where it is known. */
export type Planned = {
  /** Presses of the looper, of whoever it belongs to. */
  readonly loops: readonly FootPress[];
  /** Presses between sounds, by player. */
  readonly tones: ReadonlyMap<string, { readonly song: SongTones; readonly presses: readonly TonePress[] }>;
};

/** Who tells chords and keys, by the key shift of a place. */
type NamesByShift = (shift: number) => Pick<Namer, "chord" | "keyName">;

const NOTHING_PLANNED: Planned = Object.freeze({ loops: [], tones: new Map() });

type Found = {
  readonly kind: CueKind;
  readonly playerId: string | null;
  readonly tick: Ticks;
  readonly text: string;
  readonly span: UseSpan;
  readonly byHand?: boolean;
  readonly mayFrom?: Ticks | null;
  readonly move?: Cue["move"];
  readonly own?: Cue["own"];
};

/** Cues of one moment in the order one needs them. */
const KIND_ORDER: readonly CueKind[] = [
  "count-in",
  "tempo",
  "key",
  "chords",
  "capo",
  "press",
  "sound",
  "out",
  "in",
  "light",
  "way",
  "move",
  "push",
  "stop",
  "hold",
  "own",
];

/**
 * Everything that happens in a song for everybody, in time: most of it follows from the other rooms, and cues of one's own
 * stand among it.
 * @param names who tells chords and keys, by the key shift of a place; as it sounds when left out
 */
export function cuesOf(
  body: VersionBody,
  sheet: BandSheet,
  timeline: Timeline,
  planned: Planned = NOTHING_PLANNED,
  names: NamesByShift = namerByShift(body),
): Cue[] {
  const spans = spansOfForm(timeline);
  const clock = clockOf(spans);
  const found = [
    ...countIn(sheet, spans),
    ...everybody(body, spans, names, differsIn(timeline, outlineOf(body), versionRow(body).beatUnit)),
    ...sheet.players.flatMap((player) => ofPlayer(player, sheet, spans)),
    ...presses(body, spans, planned),
    ...moves(body, spans, clock),
    ...ownCues(body).flatMap((own): Found[] => {
      const span = spans.find(({ use }) => use.id === own.useId);
      return span
        ? [{ kind: "own", playerId: own.playerId, tick: tickOfCue(own, span), text: own.text, span, own }]
        : [];
    }),
  ];
  return found
    .map((one, at) => placed(one, at, clock))
    .sort((a, b) => a.tick - b.tick || KIND_ORDER.indexOf(a.kind) - KIND_ORDER.indexOf(b.kind));
}

function placed(found: Found, at: number, clock: SongClock): Cue {
  const { span, own = null, byHand = false, mayFrom = null, move = null, ...cue } = found;
  return {
    ...cue,
    id: own ? `own ${own.id}` : `${cue.kind} ${cue.playerId ?? "all"} ${cue.tick} ${at}`,
    seconds: clock.secondsAt(cue.tick),
    moment: clock.momentAt(cue.tick),
    useId: span.use.id,
    label: span.label,
    section: span.passages[0]!.section.kind,
    byHand,
    mayFrom,
    move,
    own,
  };
}

/**
 * Who counts in: the first who sings and plays, else whoever is first. Who waits does not count in.
 * @param waits whether a player is silent where it begins
 */
export function leaderOf(
  players: readonly Player[],
  waits: (player: Player) => boolean = () => false,
): Player | null {
  const in_ = players.filter((player) => !waits(player));
  const free = in_.length > 0 ? in_ : players;
  return free.find(({ sings, instrument }) => sings && instrument !== "voice") ?? free[0] ?? null;
}

function countIn(sheet: BandSheet, spans: readonly UseSpan[]): Found[] {
  const [span] = spans;
  if (!span) return [];
  const { meter, tempo } = span.passages[0]!;
  const parts = sheet.rows.find(({ use }) => use.id === span.use.id)?.parts ?? [];
  const playing = new Set(parts.filter((part) => playsInBar(part, 0)).map(({ player }) => player.id));
  const leader = leaderOf(sheet.players, ({ id }) => !playing.has(id));
  const text = `${leader ? `${leader.name} counts in` : "count in"}: a bar of ${meter.beats}/${meter.unit} at ${tempo.bpm}`;
  return [{ kind: "count-in", playerId: null, tick: 0, text, span }];
}

/** What everybody does: stops, holds, pushes, other chords than the first time, another key, tempo or metre. */
function everybody(
  body: VersionBody,
  spans: readonly UseSpan[],
  names: NamesByShift,
  differs: ReturnType<typeof differsIn>,
): Found[] {
  const beat = ticksOfBeatUnit(versionRow(body).beatUnit) ?? 960;
  const say = (ticks: Ticks): string => countBeats(ticks / beat);
  let before: Passage | null = null;
  return spans.flatMap((span) =>
    span.passages.flatMap((passage): Found[] => {
      const found: Found[] = [];
      const put = (kind: CueKind, tick: Ticks, text: string) =>
        found.push({ kind, playerId: null, tick, text, span });
      if (before && before.shift !== passage.shift) {
        const by = passage.shift - before.shift;
        const to = names(passage.shift).keyName();
        put(
          "key",
          passage.tick,
          `everything ${by > 0 ? "up" : "down"} ${describeSemitones(Math.abs(by))}, to ${to}`,
        );
      }
      if (before && before.tempo.bpm !== passage.tempo.bpm)
        put("tempo", passage.tick, `${passage.tempo.bpm} a minute from here`);
      if (before && (before.meter.beats !== passage.meter.beats || before.meter.unit !== passage.meter.unit))
        put("tempo", passage.tick, `${passage.meter.beats}/${passage.meter.unit} from here`);
      before = passage;
      const other = differs.get(passage);
      if (other)
        put(
          "chords",
          passage.tick,
          tellDiffers(other, (symbol) => names(passage.shift).chord(symbol)),
        );
      if (passage.tacet) put("stop", passage.tick, "the band is silent: voices alone");
      for (const { outline, events } of passage.lines)
        for (const [at, { chord }] of outline.chords.entries()) {
          const { tick, ticks, sounds, held, cued, early, late, cut } = events[at]!;
          const name = () => names(passage.shift).chord(chord.symbol);
          if (early > 0) put("push", tick, `${name()} comes ${say(early)} early`);
          if (late > 0) put("push", tick, `${name()} comes ${say(late)} late`);
          if (passage.tacet) continue;
          if (cut === "choke") put("stop", tick, `choke ${name()}`);
          else if (cut === "hit") put("stop", tick, `hit ${name()}, then silence`);
          else if (sounds < ticks) put("stop", tick + sounds, `everybody stops, ${say(ticks - sounds)}`);
          if (held > 0) put("hold", tick + ticks - held, cued ? "hold until the sign" : `hold ${say(held)}`);
        }
      return found;
    }),
  );
}

/** How a part stands. */
export function standingOf(part: SheetPart): Standing {
  const { cell, technique } = part;
  return {
    out: part.out,
    light: cell.light.value,
    way: technique?.words ?? "",
    capo: cell.capo.value,
    sound: cell.sound.value.trim(),
  };
}

/** What one player does differently from section to section. */
function ofPlayer(player: Player, sheet: BandSheet, spans: readonly UseSpan[]): Found[] {
  const parts = new Map(
    sheet.rows.map((row) => [row.use.id, row.parts.find((part) => part.player.id === player.id)]),
  );
  let before: Standing | null = null;
  return spans.flatMap((span): Found[] => {
    const part = parts.get(span.use.id);
    if (!part) return [];
    const now = standingOf(part);
    const entersLate = !now.out && (barsAt(part.cell, 0)?.[0]?.[0] ?? 0) > 0;
    const cues = handCues(before, now, entersLate).map(
      (cue): Found => ({ ...cue, playerId: player.id, tick: span.from, span }),
    );
    before = standingAfter(before, now);
    return now.out ? cues : [...cues, ...barCues(player, part, span)];
  });
}

/** Entries and exits inside a section, each time round. */
function barCues(player: Player, part: SheetPart, span: UseSpan): Found[] {
  return span.passages.flatMap((passage) => {
    const count = barsIn(passage).length;
    return (barsAt(part.cell, passage.round) ?? []).flatMap(([from, to]): Found[] => {
      const put = (kind: "in" | "out", bar: number, text: string): Found => ({
        kind,
        playerId: player.id,
        tick: tickOfBar(passage, bar),
        text,
        span,
      });
      return [
        ...(from > 0 && from < count ? [put("in", from, "come in here")] : []),
        ...(to < count ? [put("out", to, "leave here")] : []),
      ];
    });
  });
}

function spanAt(spans: readonly UseSpan[], tick: Ticks): UseSpan {
  return spans.find(({ from, to }) => tick >= from && tick < to) ?? spans.at(-1)!;
}

/** What feet press: the looper's owner, and everybody with a box of sounds. Nothing is pressed on a box nobody has described. */
function presses(body: VersionBody, spans: readonly UseSpan[], { loops, tones }: Planned): Found[] {
  if (spans.length === 0) return [];
  const feet = looperPlayer(body);
  return [
    ...(hasLoopBox(body) ? loops : []).map(
      (press): Found => ({
        kind: "press",
        playerId: feet?.id ?? null,
        tick: press.tick,
        text: `looper: ${describePress(press)}`,
        mayFrom: press.from < press.tick ? press.from : null,
        span: spanAt(spans, press.tick),
      }),
    ),
    ...[...tones].flatMap(([playerId, { song, presses: own }]) =>
      (hasSoundBox(body, playerId) ? own : []).map(
        (press): Found => ({
          kind: "press",
          playerId,
          tick: press.tick,
          text: `box: ${describeAct(press.act, song.box)}`,
          mayFrom: press.window?.from ?? null,
          span: press.into.span,
        }),
      ),
    ),
  ];
}

/** Small moves of a hand or a foot inside a section. */
function moves(body: VersionBody, spans: readonly UseSpan[], clock: SongClock): Found[] {
  const byUse = new Map(spans.map((span) => [span.use.id, span]));
  return Object.values(body.soundMoves).flatMap((row) => {
    const span = byUse.get(row.useId);
    if (!span) return [];
    return row.moves.map((move, at): Found => {
      const what = `${describeSetting(move.setting, move.value)}, by ${move.by}`;
      const until = tellBar(clock.momentAt(span.from + move.to));
      const text = move.to === move.from ? what : `${what}, there by ${until}`;
      return {
        kind: "move",
        playerId: row.playerId,
        tick: span.from + move.from,
        text,
        span,
        byHand: move.by === "hand",
        move: { rowId: row.id, at },
      };
    });
  });
}
