/** What it takes to read 100 kB in each format, and the worst we know to feed a reader. Printed by `npm run bench`. */
import { alignSources, evidenceOf, weighEvidence } from "../src/core/evidence";
import { readChordPro, readChordText, readMidi, readMusicXml, versionOfSheet } from "../src/core/formats";
import { timelineOf } from "../src/core/song/read";
import { quantiles } from "./large-song.mjs";

const SIZE = 100_000;
const fill = (text: string): string => text.repeat(Math.ceil(SIZE / text.length)).slice(0, SIZE);
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

/** Median of nine runs after two to warm up: by the clock, and by the processor, which other work does not touch. */
function time(work: () => unknown): { readonly wall: number; readonly cpu: number } {
  work();
  work();
  const runs = Array.from({ length: 9 }, () => {
    const before = process.cpuUsage();
    const began = performance.now();
    work();
    const wall = performance.now() - began;
    const { user, system } = process.cpuUsage(before);
    return { wall, cpu: (user + system) / 1000 };
  });
  return {
    wall: quantiles(runs.map((run) => run.wall)).median,
    cpu: quantiles(runs.map((run) => run.cpu)).median,
  };
}
const say = ({ wall, cpu }: { wall: number; cpu: number }): string =>
  `${wall.toFixed(0)} ms (processor ${cpu.toFixed(0)})`;

const VERSE =
  "[Verse]\nG           D/F#      Em7     C\nLight on the water, light again, and home\n| Am / F / | G . C . |\nover the harbour we go\n\n";
const PRO =
  "{start_of_verse: Verse}\n[G]Light on the [D/F#]water, [Em7]light a[C]gain\n[Am]Over the [F]harbour [G]we [C]go\n{end_of_verse}\n{comment: softly}\n\n";
const measure = (number: number) =>
  `<measure number="${number}">${number === 1 ? "<attributes><divisions>1</divisions><key><fifths>1</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time></attributes>" : ""}<harmony><root><root-step>G</root-step></root><kind>major</kind></harmony><note><pitch><step>G</step><octave>4</octave></pitch><duration>4</duration><voice>1</voice><lyric><syllabic>single</syllabic><text>light</text></lyric></note></measure>`;
const SCORE = `<score-partwise version="4.0"><part-list/><part id="P1">${Array.from({ length: SIZE / 250 }, (_, at) => measure(at + 1)).join("")}</part></score-partwise>`;

function midi(): Uint8Array {
  const note = [0x60, 0x90, 60, 80, 0x60, 0x80, 60, 0];
  const lyric = [0, 0xff, 5, 5, 0x6c, 0x69, 0x67, 0x68, 0x74];
  const events: number[] = [];
  while (events.length < SIZE - 40) events.push(...lyric, ...note);
  const track = [...events, 0, 0xff, 0x2f, 0];
  const length = [24, 16, 8, 0].map((shift) => (track.length >> shift) & 0xff);
  return Uint8Array.of(
    0x4d,
    0x54,
    0x68,
    0x64,
    0,
    0,
    0,
    6,
    0,
    0,
    0,
    1,
    1,
    0xe0,
    0x4d,
    0x54,
    0x72,
    0x6b,
    ...length,
    ...track,
  );
}

/** Texts made to be dear: each is read by both readers of text. */
const DEAR: Readonly<Record<string, string>> = {
  "chords in one line": fill("G C D Em "),
  "a chord a line, to the most lines": "G\n".repeat(5900),
  "open brackets": fill("[G"),
  "brackets never closed": fill("("),
  "bar lines": fill("| "),
  "repeats of repeats": fill("|: G :| x32\n").split("\n").slice(0, 5900).join("\n"),
  "one letter": fill("a"),
  syllables: fill("Fa dièse "),
  "signs two columns wide": fill("光"),
  "one name for every section": fill("[Verse]\nG\nl\n").split("\n").slice(0, 5900).join("\n"),
  recalls: `{soc}\n[G]a\n{eoc}\n${"{chorus}\n".repeat(5900)}`,
};

function benchReaders(): void {
  const score = bytes(SCORE);
  const file = midi();
  const figures: [string, ReturnType<typeof time>][] = [
    ["chords over words", time(() => readChordText(fill(VERSE)))],
    ["ChordPro", time(() => readChordPro(fill(PRO)))],
    [`MusicXML (${Math.round(score.length / 1000)} kB)`, time(() => readMusicXml(score))],
    [`MIDI (${Math.round(file.length / 1000)} kB)`, time(() => readMidi(file))],
  ];
  console.log(
    `reading 100 kB, median of 9: ${figures.map(([name, ms]) => `${name} ${say(ms)}`).join(", ")} (at most 50 each)`,
  );
  const dear = Object.entries(DEAR).map(([name, text]): [string, number] => [
    name,
    Math.max(time(() => readChordText(text)).wall, time(() => readChordPro(text)).wall),
  ]);
  const [name, most] = dear.reduce((a, b) => (b[1] > a[1] ? b : a));
  console.log(`100 kB made to be dear, ${dear.length} kinds: the worst is “${name}”, ${most.toFixed(0)} ms`);
}

/** Three sources of 200 bars, with chords changed, bars left out and bars played twice. */
function benchEvidence(): void {
  const chords = ["G", "D/F#", "Em7", "C", "Am7", "Bm", "D", "Cadd9"];
  const other = ["G", "D", "Em", "C6", "Am", "G/B", "Dsus4", "C"];
  const sheet = (source: number): string => {
    const sections = Array.from({ length: 10 }, (_, section) => {
      const bars = Array.from({ length: 20 }, (_, bar) => {
        const at = (section * 3 + bar) % chords.length;
        const odd = (section * 20 + bar) % (7 + 4 * source) === source;
        const name = source > 0 && odd ? other[at]! : chords[at]!;
        if (source > 0 && (section * 20 + bar) % 41 === source) return [];
        return (section * 20 + bar) % 37 === source * 5 && source > 0 ? [name, name] : [name];
      }).flat();
      return `[Verse ${section + 1}]\n| ${bars.join(" | ")} |`;
    });
    return `Key: G\n${sections.join("\n\n")}\n`;
  };
  let count = 0;
  const sources = [0, 1, 2].map((at) => {
    const body = versionOfSheet(readChordText(sheet(at)), { name: "x", kind: "sheet" }, () => `id${count++}`);
    if (timelineOf(body).bars < 190) throw new Error("Expected about 200 bars.");
    return evidenceOf(body, `source ${at}`);
  });
  const ms = time(() => alignSources(sources));
  const laid = alignSources(sources);
  const all = time(() => weighEvidence(sources));
  const { questions, listen, agreement } = weighEvidence(sources);
  console.log(
    `evidence, ${sources.map((source) => source.bars.length).join(", ")} bars: laid in ${say(ms)} (at most 200), ${laid.exact ? "exact" : "NOT exact"}, cost ${laid.cost}; with questions and what to listen to ${say(all)}: ${questions.length} questions, ${listen.length} bars to hear, ${Math.round(100 * agreement)} % agree`,
  );
}

benchReaders();
benchEvidence();
