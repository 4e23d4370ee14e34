import { assertNever } from "../../../base";
import { describeLineProblem, describeList } from "../../fretboard";
import { describeMove } from "../../pitch";
import { tellBars } from "../../song/moments";
import { formatBars, techniqueOf } from "../../song/read";
import { LIGHT_WORDS, type ROLES } from "../../song/schema";
import type { FollowWay } from "../band";
import type { Fix, SheetFinding } from "./sheet-finding";

const ROLE_NAMES: Readonly<Record<(typeof ROLES)[number], string>> = Object.freeze({
  carry: "carry",
  support: "support",
  line: "play a line",
  bass: "play the bass",
  out: "stay out",
});

/** Bars counted from 0, told from 1 with the section they are counted from. @example "bars 1–4 of Chorus" */
function describeBars(bars: readonly number[], label: string): string {
  const ranges = bars.reduce<[number, number][]>((runs, bar) => {
    const last = runs.at(-1);
    if (last?.[1] === bar) last[1] = bar + 1;
    else runs.push([bar, bar + 1]);
    return runs;
  }, []);
  return tellBars(formatBars(ranges), label);
}

/** How chord names are written; as they are when left out. */
type Write = (symbol: string) => string;
const asItIs: Write = (symbol) => symbol;

/** What a finding says, and why it matters. */
export function describeFinding(
  finding: SheetFinding,
  write: Write = asItIs,
): { readonly what: string; readonly why: string } {
  const names = describeList(finding.players);
  switch (finding.kind) {
    case "no-bass":
      return {
        what: "Nobody has the bass here.",
        why: "The section is marked as needing one: without it the chords have no floor, and inversions become other chords.",
      };
    case "bass-late":
      return {
        what: `The bass comes in only in ${describeBars([finding.bar], finding.label)}.`,
        why: "The section is marked as needing a bass from its first chord on.",
      };
    case "one-guitar-twice":
      return {
        what: `${names} play one part twice: ${finding.semitones} semitones of the same register, ${Math.round(finding.shared * 100)} % of the same strokes.`,
        why: "Two players in one place sound like one player, only louder and less even.",
      };
    case "picked-under-strum":
      return {
        what: `${finding.players[0]}’s fingers disappear under ${finding.players[1]}’s strum.`,
        why: "A plectrum across all strings is louder than fingers, and covers each note they pick.",
      };
    case "in-the-voice":
      return {
        what: `${names} is at full light inside the voice’s register: ${finding.semitones} semitones of it.`,
        why: "Words are lost where an instrument is as loud and as high as the voice.",
      };
    case "nobody-carries":
      return {
        what: `Nobody carries ${describeBars(finding.bars, finding.label)}.`,
        why: "Listeners follow one part at a time; without one there is only accompaniment.",
      };
    case "two-carry":
      return {
        what: `${names} both carry ${describeBars(finding.bars, finding.label)}.`,
        why: "Two who lead at once fight for the same attention.",
      };
    case "light-flat":
      return {
        what: "The light never changes through the song.",
        why: "A song that is as full at its first line as at its last has nowhere to go.",
      };
    case "light-drops":
      return {
        what: `The light drops at the last chorus, from ${finding.from} to ${finding.to}.`,
        why: "The last chorus is where people expect the most.",
      };
    case "above-level":
      return {
        what: `${names}’s part asks for a ${finding.needs} hand, and theirs is ${finding.level}.`,
        why: "What can’t be played easily isn’t played in time.",
      };
    case "too-fast":
      return {
        what: `${names}’s strokes are too fast: ${finding.swings.toFixed(1)} swings of the hand a second, where theirs does ${finding.most}.`,
        why: `Up to ${Math.floor(finding.bpm)} beats a minute it would do. Pain or numbness means stop and rest.`,
      };
    case "quick-change":
      return {
        what: `${names} has ${Math.round(finding.ms)} ms to get from ${write(finding.from)} to ${write(finding.to)}, and needs about ${Math.round(finding.needs)}.`,
        why: "A change that comes late is heard as a stumble.",
      };
    case "line-and-chords":
      return {
        what: `${names} is asked for a line and for strummed chords at once in ${describeBars(finding.bars, finding.label)}.`,
        why: "One hand can do both only where the line lies between the strums and under the shapes.",
      };
    case "line-outside": {
      const told = finding.notes.map(({ note, over }) => `${write(note)} over ${write(over)}`);
      return {
        what: `${names}’s line “${finding.line}” stays on ${describeList(told)} in ${describeBars(finding.bars, finding.label)}.`,
        why: "It is neither of the chord nor of the key, for a beat or longer: right if it is meant, a wrong fret if not.",
      };
    }
    case "line-cant":
      return {
        what: `${names}’s line “${finding.line}” can’t be played as it is written: ${describeLineProblem(finding.problems[0]!).replace(/^The/u, "the")}`,
        why:
          finding.problems.length === 1
            ? "A hand or a sum doesn’t come out there; Lines shows where."
            : `And ${finding.problems.length - 1} more such places: Lines shows them all.`,
      };
    case "line-left":
      return {
        what: `${names}’s line “${finding.line}” has no place on this neck for ${describeList(finding.chords.map(write))}.`,
        why: "It is set on the root of each chord; there it is silent.",
      };
    case "line-moved":
      return {
        what: `${names}’s line “${finding.line}” can’t stay on its strings here${finding.by === 0 ? "" : `, ${describeMove(finding.by)}`}: choose how it is played.`,
        why:
          finding.lost === 0
            ? "At its old frets it would sound wrong notes; till then it is shown fingered anew."
            : `At its old frets it would sound wrong notes, and ${finding.lost} of them ${finding.lost === 1 ? "has" : "have"} no place on this neck.`,
      };
    case "idle":
      return {
        what: `${names} has nothing to play in the whole song.`,
        why: "Somebody who comes to play and never does will not come again.",
      };
    case "one-chord":
      return {
        what: `${names} could play only ${write(finding.chord)}, each time it comes: ${Math.round(finding.share * 100)} % of the song.`,
        why: "One chord known well is a part; five chords half known are a hindrance.",
      };
    default:
      return assertNever(finding);
  }
}

/** How a line is played elsewhere. @example describeLineWay({ how: "capo", capo: 4, lost: 0 }) // => "as it is written, capo 4" */
export function describeLineWay({ how, capo, lost }: Pick<FollowWay, "how" | "capo" | "lost">): string {
  const without = lost === 0 ? "" : `, ${lost} ${lost === 1 ? "note" : "notes"} left out`;
  switch (how) {
    case "same strings":
      return `on the same strings${without}`;
    case "re-fingered":
      return `fingered anew${without}`;
    case "capo":
      return `as it is written, ${capo === 0 ? "no capo" : `capo ${capo}`}${without}`;
  }
}

/** What a fix would do, as the words of its button. */
export function describeFix({ code }: Fix, write: Write = asItIs): string {
  switch (code.do) {
    case "role":
      return `Let ${code.player} ${ROLE_NAMES[code.role]}`;
    case "technique":
      return `${code.player}: ${techniqueOf(code.technique).words}`;
    case "light":
      return `${code.player} at light ${code.light}, ${LIGHT_WORDS[code.light]}`;
    case "double":
      return `${code.player} doubles ${code.of} on purpose`;
    case "carry-bars":
      return `Let ${code.player} carry ${code.bars.length === 1 ? "that bar" : "those bars"}`;
    case "as-before":
      return "Everybody at least as bright as in the chorus before";
    case "choruses-brighter":
      return "The choruses a step brighter";
    case "let-in":
      return `Let ${code.player} in softly in the choruses: ${techniqueOf(code.technique).words}`;
    case "no-strum":
      return `${code.player}: the line only`;
    case "line-way":
      return `${code.player}’s line ${describeLineWay(code)}`;
    case "one-chord":
      return `${code.player} plays only ${write(code.chord)}`;
    default:
      return assertNever(code);
  }
}
