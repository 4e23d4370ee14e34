import type { LineFinger, NoteStroke, TabNote } from "@/core/fretboard";
import type { LineReads } from "@/core/song/names";
import { strokeSign, strokeWords } from "./stroke-signs";
import { type TabRow, tabRows } from "./tab-rows";

/** Which times round a note is for, in a sign: "2." that one, "2.+" from it on, "/2" each second, "last". */
const timesTold = ({ round, times }: Pick<TabNote, "round" | "times">): string => {
  if (times === "last") return "last";
  if (round === null) return "";
  return times === "every" ? `/${round}` : `${round}.${times === "from" ? "+" : ""}`;
};

type Signed = Pick<TabNote, "fret" | "art" | "bend" | "optional" | "ring" | "short">;

/** A note as it is written on its string, without its bend. */
const fretSign = (note: Signed): string => {
  const sign = { plain: "", hammer: "h", pull: "p", slide: "/", dead: "" }[note.art];
  return `${note.art === "dead" ? "x" : `${sign}${note.fret}`}${note.short ? "·" : ""}`;
};
const bendSign = ({ bend }: Pick<TabNote, "bend">): string => (bend > 0 ? `↑${BENDS[bend] ?? ""}` : "");

/** A note as it is written on its string. */
export const signOfNote = (note: Signed): string => {
  const plain = `${fretSign(note)}${bendSign(note)}`;
  return note.optional ? `(${plain})` : plain;
};
/** Bends in whole tones, as players say them. */
const BENDS: Readonly<Record<number, string>> = {
  1: "¼",
  2: "½",
  3: "¾",
  4: "1",
  5: "1¼",
  6: "1½",
  7: "1¾",
  8: "2",
};

/** A line as its reader has it, in the ticks of one stretch of a song. */
type ShownLine = {
  readonly name: string;
  /** How many strings there are. */
  readonly tuning: number;
  readonly notes: readonly TabNote[];
  /** Where its bars begin, and where it ends. */
  readonly bars: readonly number[];
  readonly ticks: number;
  /** Ticks of a beat. */
  readonly beat: number;
  /** Names of the strings as its reader has them. */
  readonly strings: readonly string[];
  /** A name a note, in their order; for who reads lines as notes. */
  readonly names: readonly string[];
  readonly reads: LineReads;
  /** How each note is struck, in their order; null says nothing of it. */
  readonly strokes: readonly (NoteStroke | null)[];
  /** The finger each note is fretted with, in their order; null for none. */
  readonly fingers: readonly (LineFinger | null)[];
  /** What is counted where each is struck, in their order, to stand above the strings; left out where that is not wanted. */
  readonly counts?: readonly string[];
};

/** Something said at a place of the line: a chord's name above it, or what is sung below. */
export type SaidAt = { readonly tick: number; readonly text: string };

/** How large a line is drawn: so many bars a row, and units of its drawing. */
type TabSize = "pane" | "print" | "stage" | "beside" | "phone" | "next";
type Metrics = {
  readonly perRow: number;
  readonly bar: number;
  readonly row: number;
  readonly font: number;
  readonly left: number;
};
const SIZES: Readonly<Record<TabSize, Metrics>> = Object.freeze({
  pane: { perRow: 1, bar: 250, row: 18, font: 12, left: 42 },
  print: { perRow: 4, bar: 195, row: 13, font: 11, left: 40 },
  stage: { perRow: 4, bar: 288, row: 26, font: 30, left: 92 },
  beside: { perRow: 3, bar: 250, row: 26, font: 30, left: 92 },
  next: { perRow: 1, bar: 230, row: 9, font: 12, left: 46 },
  phone: { perRow: 2, bar: 150, row: 21, font: 20, left: 62 },
});

type Props = {
  readonly line: ShownLine;
  readonly size?: TabSize;
  /** Chords over the bars, and words below, where they are wanted. */
  readonly over?: readonly SaidAt[];
  readonly under?: readonly SaidAt[];
  /** Where the music is, in ticks of the line; null where no clock runs. */
  readonly now?: number | null;
  /** Whether a row that is the same as one before is only told. */
  readonly fold?: boolean;
  /** What each row is besides: the stage pages by them. */
  readonly rowClass?: string;
};

const NOTHING: readonly SaidAt[] = [];

/** A line as its reader reads it: tab, notes with their octave bar by bar, or both. */
export function TabLines({ line, size = "pane", ...more }: Props) {
  return (
    <>
      {line.reads !== "notes" && <Tab line={line} size={size} {...more} />}
      {line.reads !== "tab" && <Notes line={line} />}
    </>
  );
}

/** Notes bar by bar, in time; notes struck together are joined. */
function Notes({ line: { name, notes, bars, ticks, names } }: { line: ShownLine }) {
  return (
    <ol aria-label={`Notes of ${name}`} className="mt-2 flex flex-col gap-1">
      {bars.map((from, at) => {
        const to = bars[at + 1] ?? ticks;
        const own = notes.flatMap((note, index) =>
          note.tick >= from && note.tick < to ? [{ note, name: names[index] ?? "" }] : [],
        );
        return (
          <li key={from} className="flex flex-wrap gap-x-3">
            <span className="w-12 text-sm">bar {at + 1}</span>
            {own.length === 0 && <span className="text-sm">rests</span>}
            {own.map(({ note, name: told }, index) => (
              <span key={index} className="font-mono font-bold">
                {own[index - 1]?.note.tick === note.tick && "+ "}
                {note.art === "dead" ? "dead" : told}
              </span>
            ))}
          </li>
        );
      })}
    </ol>
  );
}

/** @example "bars 5–8" */
const barsTold = ({ bar, bars }: Pick<TabRow, "bar" | "bars">): string =>
  bars === 1 ? `bar ${bar + 1}` : `bars ${bar + 1}–${bar + bars}`;

/** A line in tab: the string nearest the floor on top, length as an underline; strings are named in the first row. */
function Tab({
  line,
  size = "pane",
  over = NOTHING,
  under = NOTHING,
  now = null,
  fold = false,
  rowClass = "",
}: Props) {
  const { perRow } = SIZES[size];
  const rows = tabRows(line, perRow);
  return (
    <div className="mt-2 flex flex-col gap-1">
      {rows.map((row) => {
        const inRow = ({ tick }: SaidAt) => tick >= row.from && tick < row.to;
        const chords = over.filter(inRow);
        const words = under.filter(inRow);
        if (fold && row.as !== null)
          return (
            <p key={row.bar} className={rowClass} data-from={row.from}>
              <strong>{barsTold(row)}</strong> as {barsTold({ ...row, bar: row.as })}
              {chords.length > 0 && `: ${chords.map(({ text }) => text).join(" ")}`}
              {words.length > 0 && <em>, {words.map(({ text }) => text).join(" ")}</em>}
            </p>
          );
        return (
          <div key={row.bar} className={rowClass} data-from={row.from}>
            <TabRowDrawn
              line={line}
              row={row}
              metrics={SIZES[size]}
              over={chords}
              under={words}
              now={now !== null && now >= row.from && now < row.to ? now : null}
            />
          </div>
        );
      })}
    </div>
  );
}

function TabRowDrawn({
  line: { name, tuning, notes, bars, beat, strings, strokes, fingers, counts },
  row,
  metrics: { perRow, bar, row: gap, font, left },
  over,
  under,
  now,
}: {
  line: ShownLine;
  row: TabRow;
  metrics: Metrics;
  over: readonly SaidAt[];
  under: readonly SaidAt[];
  now: number | null;
}) {
  const width = bar * row.bars;
  const signs = notes.map((note, at) => strokeSign(note, strokes[at] ?? null));
  const isStruck = signs.some((sign) => sign !== "");
  const head = over.length > 0 ? font * 1.2 : 4;
  const top = head + (counts ? font * 0.9 : 0);
  const y = (string: number) => top + (tuning - 1 - string) * gap + gap / 2;
  const foot = top + tuning * gap;
  // A chord is a shape: its fingers stand in its diagram.
  const isAlone = (at: number) =>
    notes.filter(({ tick }) => tick === notes[at]!.tick).length <= MOST_FINGERED;
  const isFingered = row.notes.some((at) => (fingers[at] ?? null) !== null && isAlone(at));
  const strokesFoot = foot + (isStruck || isFingered ? font : 0);
  /** Below the strings: the fingers of what is struck together, and the stroke. */
  const below = (index: number): string => {
    const own = row.notes.filter((at) => notes[at]!.tick === notes[index]!.tick);
    return `${own.flatMap((at) => (isAlone(at) ? (fingers[at] ?? []) : [])).join(" ")}${signs[index]}`;
  };
  const height = strokesFoot + (under.length > 0 ? font * 1.1 : 0) + 4;
  const x = (tick: number) => left + ((tick - row.from) / (row.to - row.from)) * width + font / 2;
  const told = (at: number): string =>
    [
      counts?.[at] ? `${counts[at]}:` : "",
      strings[notes[at]!.string] ?? "?",
      signOfNote(notes[at]!),
      strokeWords(notes[at]!, strokes[at] ?? null),
    ]
      .filter((word) => word !== "")
      .join(" ");
  const fingered = isFingered
    ? `; fingers ${row.notes.flatMap((at) => (isAlone(at) ? [fingers[at] ?? "open"] : [])).join(", ")}`
    : "";
  const starts = bars.slice(row.bar, row.bar + row.bars);
  const beatNow = now === null ? null : row.from + Math.floor((now - row.from) / beat) * beat;
  return (
    <svg
      viewBox={`0 0 ${left + bar * perRow + 8} ${height}`}
      role="img"
      aria-label={`${name}, ${barsTold(row)}: ${row.notes.length === 0 ? "nothing" : `${row.notes.map(told).join(", ")}${fingered}`}`}
      className={`w-full font-mono ${perRow === 1 ? "max-w-md" : ""}`}
    >
      {beatNow !== null && (
        <rect
          data-now={beatNow}
          x={x(beatNow) - font / 2}
          y={top}
          width={(beat / (row.to - row.from)) * width}
          height={tuning * gap}
          className="fill-primary"
          fillOpacity="0.35"
        />
      )}
      {Array.from({ length: tuning }, (_, string) => (
        <g key={string}>
          {row.bar === 0 && (
            <text x="0" y={y(string) + font / 3} fontSize={font * 0.75} className="fill-base-content">
              {strings[string]}
            </text>
          )}
          <line
            x1={left}
            x2={left + width}
            y1={y(string)}
            y2={y(string)}
            className="stroke-base-content"
            strokeOpacity="0.35"
          />
        </g>
      ))}
      {row.bar > 0 && (
        <text x="0" y={y(tuning - 1) + font / 3} fontSize={font * 0.7} className="fill-base-content">
          {row.bar + 1}
        </text>
      )}
      {[...starts.map((tick) => x(tick) - font / 2), left + width].map((at, index) => (
        <line
          key={index}
          x1={at}
          x2={at}
          y1={y(tuning - 1)}
          y2={y(0)}
          className="stroke-base-content"
          strokeOpacity={index === 0 ? 0.35 : 1}
        />
      ))}
      {over.map(({ tick, text }, at) => (
        <text
          key={at}
          x={x(tick) - font / 2}
          y={font * 0.95}
          fontSize={font}
          fontWeight="700"
          className="fill-base-content"
        >
          {text}
        </text>
      ))}
      {row.notes.map((index) => {
        const note = notes[index]!;
        const fret = note.optional ? `(${fretSign(note)})` : fretSign(note);
        const bend = bendSign(note);
        const long = fret.length * font * 0.6 + 4;
        const end = x(Math.min(row.to, note.tick + note.ticks)) - font * 0.8;
        return (
          <g key={index}>
            <line
              x1={x(note.tick)}
              x2={Math.max(x(note.tick) + long, end)}
              y1={y(note.string) + font * 0.55}
              y2={y(note.string) + font * 0.55}
              className="stroke-primary"
              strokeWidth={font / 6}
              strokeDasharray={note.ring ? `${font / 3} ${font / 6}` : undefined}
            />
            <text
              x={x(note.tick)}
              y={y(note.string) + font * 0.35}
              fontSize={font}
              fontWeight="700"
              className="tab-sign fill-base-content stroke-base-100"
              strokeWidth={font * 0.4}
              paintOrder="stroke"
            >
              {fret}
              {bend !== "" && (
                <tspan fontSize={font * 0.55} dy={-font * 0.5}>
                  {bend}
                </tspan>
              )}
            </text>
            {row.notes.find((at) => notes[at]!.tick === note.tick) === index && (
              <text
                x={x(note.tick)}
                y={foot + font * 0.8}
                fontSize={font * 0.7}
                fontWeight="700"
                className="fill-base-content"
              >
                {below(index)}
              </text>
            )}
            {counts && row.notes.find((at) => notes[at]!.tick === note.tick) === index && (
              <text
                x={x(note.tick)}
                y={head + font * 0.65}
                fontSize={font * 0.7}
                className="fill-base-content"
                data-count
              >
                {counts[index]}
              </text>
            )}
            {timesTold(note) !== "" && (
              <text
                x={x(note.tick)}
                y={y(note.string) - font / 2}
                fontSize={font * 0.65}
                className="fill-base-content"
              >
                {timesTold(note)}
              </text>
            )}
          </g>
        );
      })}
      {under.map(({ tick, text }, at) => (
        <text
          key={at}
          x={x(tick) - font / 2}
          y={strokesFoot + font * 0.85}
          fontSize={font * 0.8}
          className="fill-base-content"
          textLength={fitted(text, x(under[at + 1]?.tick ?? row.to) - x(tick), font * 0.8)}
          lengthAdjust="spacingAndGlyphs"
        >
          {text}
        </text>
      ))}
    </svg>
  );
}

/** So many notes struck together have their fingers below; more are a chord. */
const MOST_FINGERED = 2;

/** The width words are pressed into where they would run into the next ones; undefined where they have room. */
const fitted = (text: string, room: number, font: number): number | undefined =>
  text.length * font * 0.6 > room ? Math.max(1, room - font / 4) : undefined;
