import type { Midi, Ticks } from "../../../base";
import { type Fingering, type Frets, fingerings, type Style } from "../../fretboard";
import type { Key } from "../../pitch";
import { ticksOfBar, ticksOfBeatUnit } from "../../rhythm";
import { namerByShift } from "../../song/names";
import { type ShapeSpot, spotOf, versionRow } from "../../song/read";
import type { VersionBody } from "../../song/schema";
import type { BandSheet, SheetPart, SheetRow } from "../band";
import { type ShapePlan, shapesOfPlan } from "../shape-plan";
import { handOf, optionsOf, requestKey, shapeAt } from "../shapes";
import { judgeSum, type Sum, type SumProblem, type Voice } from "./judge-sum";
import { type Span, soundingChord, voicesOfPart } from "./sounding";

/** What the whole band sounds at one chord of the form. Beats count from 0 within the section. */
export type ChordSum = Sum & {
  readonly useId: string;
  readonly label: string;
  readonly chordId: string;
  /** The chart's chord as it sounds. */
  readonly symbol: string;
  readonly bar: number;
  /** Where the chord sounds, in ticks of the section. */
  readonly under: Span;
  /** Beats of the chord at which it sounds so. */
  readonly beats: readonly number[];
  /** Who holds which shape. */
  readonly held: ReadonlyMap<string, Frets>;
};

/** Whose the pitches of loops are said to be. */
export const LOOPS = "loops";

/**
 * The sum of the band: for every beat of every section the union of all that sounds, judged against the chart. Beats
 * of one chord that sound alike are one entry; a line is heard as a phrase over its chord, not note by note. Where every player's shapes are known it is exact; a player whose plan
 * is missing is left out.
 * @param loops what loops sound at a tick of the song; they are told as those of {@link LOOPS}
 */
export function sumOfBand(
  body: VersionBody,
  sheet: BandSheet,
  plans: ReadonlyMap<string, ShapePlan>,
  loops: (tick: Ticks) => readonly Midi[] = () => [],
): ChordSum[] {
  const planned = new Map([...plans].map(([id, plan]) => [id, shapesOfPlan(plan)]));
  const namerAt = namerByShift(body);
  const beat = ticksOfBeatUnit(versionRow(body).beatUnit) ?? 960;
  return sheet.rows.flatMap((row) => {
    const { passage } = row;
    const bar = ticksOfBar(passage.meter);
    const namer = namerAt(passage.shift);
    return passage.lines.flatMap((line) =>
      line.outline.chords.flatMap(({ chord }, at): ChordSum[] => {
        const event = line.events[at]!;
        const named = namer.name(chord.symbol);
        const sounding = soundingChord(named.sounding);
        if (!sounding || event.sounds <= 0) return [];
        const start = event.tick - passage.tick;
        const shapes = new Map(
          row.parts.map((part) => [
            part.player.id,
            shapeOf(body, row, part, chord.id, named.sounding, planned.get(part.player.id)),
          ]),
        );
        const under = { from: Math.max(0, start), to: start + event.sounds };
        const sums: ChordSum[] = [];
        const known = new Map<string, number>();
        for (let from = start; from < start + event.sounds; from += beat) {
          const place = Math.max(0, Math.floor(from / bar));
          const played = row.parts.flatMap((part) =>
            voicesOfPart(part, under, place, sounding, shapes.get(part.player.id) ?? null),
          );
          const looped = loops(passage.tick + Math.max(0, from)).map(
            (pitch): Voice => ({ pitch, playerId: LOOPS }),
          );
          const voices = [...played, ...looped];
          const key = voices.map(({ pitch, playerId }) => `${playerId} ${pitch}`).join("|");
          const number = Math.round(from / beat);
          const same = known.get(key);
          if (same !== undefined) {
            sums[same] = { ...sums[same]!, beats: [...sums[same]!.beats, number] };
            continue;
          }
          known.set(key, sums.length);
          sums.push({
            ...judgeSum(voices, sounding, namer.key, row.bass === "free"),
            useId: row.use.id,
            label: row.label,
            chordId: chord.id,
            symbol: named.sounding,
            bar: place,
            under,
            beats: [number],
            held: new Map([...shapes].flatMap(([id, frets]) => (frets ? [[id, frets] as const] : []))),
          });
        }
        return sums;
      }),
    );
  });
}

function shapeOf(
  body: VersionBody,
  row: SheetRow,
  part: SheetPart,
  chordId: string,
  symbol: string,
  planned: ReadonlyMap<string, Fingering> | undefined,
): Frets | null {
  if (part.out || !planned) return null;
  const request = { ...handOf(part.player, part.cell), symbol };
  const found = shapeAt(
    body,
    spotOf(part.player, request, { useId: row.use.id, sectionId: row.use.sectionId, chordId, symbol }),
    () => planned.get(requestKey(request)) ?? null,
  );
  return found.shape?.frets ?? null;
}

/** A change of one player's shape that mends a chord. */
export type Mend = {
  readonly playerId: string;
  readonly spot: ShapeSpot;
  readonly shape: Fingering;
  /** Strings that are fretted otherwise than now. */
  readonly strings: number;
  /** What would still not be right. */
  readonly left: readonly SumProblem[];
};

/** Ways of voicing that are what somebody plays: octaves stay octaves, whatever is missing. */
const SAYS_WHAT: ReadonlySet<Style> = new Set(["full", "bass", "octave", "power", "single"]);

/** The ways of voicing a change may use: the part's own; a full chord only where nobody has said how it is played. */
const stylesKept = ({ technique }: SheetPart, style: Style): readonly Style[] =>
  technique !== null || SAYS_WHAT.has(style) ? [style] : [style, "full"];

/** Shapes looked at for each player. */
const LOOKED_AT = 60;

/**
 * The smallest change of one player that mends a chord: another shape of theirs, on as few strings as can be, after
 * which nothing is wrong, or at least less than now. The way of playing stays: octaves stay octaves. Players are tried in the order of the sheet; of equal changes the
 * easier shape. Null where no shape of one player helps.
 */
export function mendSum(row: SheetRow, sum: ChordSum, key: Key | null): Mend | null {
  const chord = soundingChord(sum.symbol);
  if (!chord) return null;
  let best: Mend | null = null;
  for (const part of row.parts) {
    const now = sum.held.get(part.player.id);
    if (!now) continue;
    const hand = handOf(part.player, part.cell);
    const options = { ...optionsOf(hand), inversions: true, limit: LOOKED_AT };
    const found = stylesKept(part, hand.style).flatMap(
      (style) => fingerings(chord, { ...options, style }).fingerings,
    );
    const others = sum.voices.filter((voice) => voice.playerId !== part.player.id);
    for (const shape of found) {
      const strings = shape.frets.filter((fret, string) => fret !== now[string]).length;
      if (strings === 0) continue;
      const own = voicesOfPart(part, sum.under, sum.bar, chord, shape.frets);
      const { problems } = judgeSum([...others, ...own], chord, key, row.bass === "free");
      if (problems.length >= sum.problems.length) continue;
      const better =
        best === null ||
        problems.length < best.left.length ||
        (problems.length === best.left.length && strings < best.strings);
      if (better)
        best = {
          playerId: part.player.id,
          spot: spotOf(part.player, hand, { ...sum, sectionId: row.use.sectionId }),
          shape,
          strings,
          left: problems,
        };
    }
  }
  return best;
}
