import { assertNever, capital } from "../../../base";
import { type MakeId, singles } from "../../../document";
import { describeList } from "../../fretboard";
import { countBars, countBeats } from "../../rhythm";
import { batch, type VersionCommand } from "../../song/edit";
import { tellBar, tellMoment } from "../../song/moments";
import type { Outline } from "../../song/read";
import { MOST_LAYER_BARS, type VersionBody } from "../../song/schema";
import { describeClash } from "../clashes";
import { addLayer, setLayer, strokeWants } from "./loop-commands";
import type { LoopFinding, LoopFix } from "./loop-findings";
import type { SongLoops } from "./song-loops";

const REGISTER_WORDS = { low: "all of them low", middle: "in the middle", high: "all of them high" } as const;

/** What a finding says, and why it matters. @param nameOf how chords and notes are told */
export function describeLoopFinding(
  finding: LoopFinding,
  nameOf?: Parameters<typeof describeClash>[1],
): { readonly what: string; readonly why: string } {
  switch (finding.kind) {
    case "two-starts":
      return {
        what: `${finding.starts} tracks have to come in at once, ${tellMoment(finding.moment)}.`,
        why: "One foot cannot do two things at once: the second one comes in late, and everybody hears a start that is late.",
      };
    case "nothing-sounds":
      return {
        what: `${describeList(finding.layers)} ${finding.layers.length === 1 ? "is" : "are"} silent for ${countBars(finding.bars)}, and wanted.`,
        why: "A layer sounds with all of its track or not at all: more that shares the track is not wanted here.",
      };
    case "sounds-unwanted":
      return {
        what: `${describeList(finding.layers)} ${finding.layers.length === 1 ? "sounds" : "sound"} for ${countBars(finding.bars)}, and ${finding.layers.length === 1 ? "is" : "are"} not wanted.`,
        why: "It shares its track with something that is wanted here, or there was no pedal to take it out.",
      };
    case "loop-clash":
      return {
        what: `${finding.layer} clashes on ${finding.beats} ${finding.beats === 1 ? "beat" : "beats"}: ${describeClash(finding.reason, nameOf)}${finding.more > 0 ? ` (and ${finding.more} more)` : ""}.`,
        why:
          finding.shift === null
            ? "A loop keeps the chords it was recorded with. It is never taken out by itself: say what shall be done."
            : `It was let in at another place of its pass: let in ${countBars(Math.abs(finding.shift))} ${finding.shift > 0 ? "later" : "earlier"}, it fits.`,
      };
    case "loop-cut":
      return {
        what: `${describeList(finding.layers)} ${finding.layers.length === 1 ? "is" : "are"} stopped in bar ${Math.floor(finding.bar) + 1} of ${finding.bars} of the loop.`,
        why: "A loop longer than the bars left is cut in the middle, and when it comes in again it begins from its start.",
      };
    case "crowded":
      return {
        what: `${capital(describeList(finding.layers))} strike ${finding.onsets} times in a bar together, ${REGISTER_WORDS[finding.register]}.`,
        why: "What strikes so often in one register is heard as a haze: one of them thinner, and each can be told.",
      };
    case "waits-past":
      return {
        what: `The box waits ${countBeats(finding.beats)} past the boundary: track ${finding.track + 1} is in the middle of a pass.`,
        why: "A box that waits for the loop point does what is pressed when its loop comes round, not where the section begins.",
      };
    case "long-build":
      return {
        what: `Building takes ${Math.round(finding.seconds)} seconds${finding.saves > 0 ? `; ${Math.round(finding.saves)} of them can wait until the song runs` : ""}.`,
        why: "Longer than 45 seconds, and people begin to talk (rule of thumb).",
      };
    case "many-presses":
      return {
        what: `${finding.presses} presses fall in ${tellBar(finding.moment)}, while singing.`,
        why: "Words come out wrong where the foot has to think.",
      };
    case "one-body":
      return {
        what: `${describeList(finding.layers)} are recorded in one pass, and both need the ${finding.part}.`,
        why: `There is one pair of hands and one mouth: what needs the same ${finding.part} takes two passes.`,
      };
    default:
      return assertNever(finding);
  }
}

/** What a fix would do, in words. */
export function describeLoopFix(fix: LoopFix, nameOf: (layer: string) => string): string {
  const name = nameOf(fix.layerId);
  switch (fix.do) {
    case "mute":
      return `Take ${name} out there`;
    case "mute-track":
      return `Take its whole track out there: ${describeList(fix.layerIds.map(nameOf))}`;
    case "move-entry":
      return `Let ${fix.layerIds.length > 1 ? "its track" : name} in ${countBars(Math.abs(fix.bars))} ${fix.bars > 0 ? "later" : "earlier"}`;
    case "thin":
      return `Thin ${name}: ${fix.plays === "chords" ? "struck where its chords change" : "without its pattern"}`;
    case "second-layer":
      return `Record a second layer with the chords of this place`;
    case "damp":
      return `Play ${name} damped, without pitch`;
    case "loosen":
      return `Let ${name} be free there`;
    case "part-passes":
      return `Record ${name} in a pass of its own`;
    default:
      return assertNever(fix);
  }
}

/** A fix as an edit of the version. */
export function commandOfFix(
  body: VersionBody,
  outline: Outline,
  song: SongLoops,
  fix: LoopFix,
  makeId: MakeId,
): VersionCommand {
  const strokes = (want: "off" | "either", layerId = fix.layerId) =>
    ("pieces" in fix ? fix.pieces : []).flatMap((id) => {
      const piece = song.pieces.find((one) => one.id === id);
      if (!piece) return [];
      const { span } = piece;
      const total = span.to - span.from;
      return [
        {
          layerId,
          useId: span.use.id,
          from: piece.from - span.from,
          to: piece.to - span.from,
          total,
          want,
        },
      ];
    });
  switch (fix.do) {
    case "mute":
      return strokeWants(body, outline, strokes("off"), makeId);
    case "loosen":
      return strokeWants(body, outline, strokes("either"), makeId);
    case "mute-track": {
      const all = fix.layerIds.flatMap((layerId) => strokes("off", layerId));
      return strokeWants(body, outline, all, makeId);
    }
    case "move-entry":
      return strokeWants(body, outline, entryStrokes(song, fix), makeId);
    case "thin":
      return setLayer(fix.layerId, { plays: fix.plays, strumId: null });
    case "damp":
      return setLayer(fix.layerId, { pitch: "damped" });
    case "part-passes":
      return setLayer(fix.layerId, { recordWithId: null });
    case "second-layer": {
      const own = body.loopLayers[fix.layerId]!;
      const piece = song.pieces.find(({ id }) => id === fix.pieces[0])!;
      const section = song.asked!.sections.find(({ id }) => id === piece.id)!;
      const bars = Math.max(1, Math.min(MOST_LAYER_BARS, Math.floor(section.bars)));
      const chords = writtenChords(song, piece.id, bars * song.barTicks);
      const { id: _id, originId: _origin, order: _order, ...layer } = own;
      const offs = strokes("off");
      const wants = offs.map(({ useId, from, to, total }) => ({ useId, from, to: to >= total ? null : to }));
      return batch("Record a second layer", [
        ...singles(
          addLayer(body, { ...layer, bars, chords, track: null, recordWithId: null }, makeId, wants),
        ),
        ...singles(strokeWants(body, outline, offs, makeId)),
      ]);
    }
    default:
      return assertNever(fix);
  }
}

/** What is cut, or drawn, so that a track comes in later or earlier: over all uses that lie between. */
function entryStrokes(
  song: SongLoops,
  { layerIds, from, to, bars }: Extract<LoopFix, { readonly do: "move-entry" }>,
) {
  return song.spans
    .filter((span) => span.to > from && span.from < to)
    .flatMap((span) =>
      layerIds.map((layerId) => ({
        layerId,
        useId: span.use.id,
        from: Math.max(from, span.from) - span.from,
        to: Math.min(to, span.to) - span.from,
        total: span.to - span.from,
        want: bars > 0 ? ("off" as const) : ("on" as const),
      })),
    );
}

/** The written chords of a piece, cut to a length: a layer keeps them in the key the song is written in. */
function writtenChords(
  song: SongLoops,
  pieceId: string,
  length: number,
): { symbol: string; ticks: number }[] {
  const piece = song.pieces.find(({ id }) => id === pieceId)!;
  const events = piece.span.passages.flatMap((passage) =>
    passage.lines.flatMap(({ outline, events: timed }) =>
      outline.chords.map(({ chord }, at) => ({
        symbol: chord.symbol,
        from: Math.max(piece.from, timed[at]!.tick),
        to: Math.min(piece.from + length, timed[at]!.tick + timed[at]!.ticks),
      })),
    ),
  );
  return events
    .filter(({ from, to }) => to > from)
    .map(({ symbol, from, to }) => ({ symbol, ticks: to - from }));
}

/** "Hands and mouth", for people. */
export const describeNeeds = (needs: readonly string[]): string =>
  needs.length === 0 ? "nobody" : capital(describeList([...needs]));
