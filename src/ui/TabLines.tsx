import type { NoteStroke, TabNote } from "@/core/fretboard";
import { type Meter, ticksOfBar } from "@/core/rhythm";
import type { LineReads } from "@/core/song/names";
import type { Riff } from "@/core/song/schema";
import { strokeSign, strokeWords } from "./stroke-signs";

const ROW = 18;
const LEFT = 42;
const BAR_WIDTH = 250;

/** A note as it is written on its string. */
export const signOfNote = (
  note: Pick<TabNote, "fret" | "art" | "bend" | "optional" | "ring" | "short">,
): string => {
  const sign = { plain: "", hammer: "h", pull: "p", slide: "/", dead: "" }[note.art];
  const fret = note.art === "dead" ? "x" : `${sign}${note.fret}`;
  const bend = note.bend > 0 ? `↑${BENDS[note.bend] ?? ""}` : "";
  const plain = `${fret}${bend}${note.short ? "·" : ""}`;
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

type Props = {
  readonly riff: Riff;
  readonly notes: readonly TabNote[];
  readonly meter: Meter;
  /** Names of the strings as its reader has them. */
  readonly strings: readonly string[];
  /** A name a note, in their order; for who reads lines as notes. */
  readonly names: readonly string[];
  readonly reads: LineReads;
  /** How each note is struck, in their order; null says nothing of it. */
  readonly strokes: readonly (NoteStroke | null)[];
};

/** A line as its reader reads it: tab, notes with their octave bar by bar, or both. */
export function TabLines(props: Props) {
  return (
    <>
      {props.reads !== "notes" && <Tab {...props} />}
      {props.reads !== "tab" && <Notes {...props} />}
    </>
  );
}

/** Notes bar by bar, in time; notes struck together are joined. */
function Notes({ riff, notes, meter, names }: Props) {
  const bar = ticksOfBar(meter);
  const bars = Math.max(1, Math.ceil(riff.ticks / bar));
  return (
    <ol aria-label={`Notes of ${riff.name}`} className="mt-2 flex flex-col gap-1">
      {Array.from({ length: bars }, (_, at) => {
        const own = notes.flatMap((note, index) =>
          note.tick >= at * bar && note.tick < (at + 1) * bar ? [{ note, name: names[index] ?? "" }] : [],
        );
        return (
          <li key={at} className="flex flex-wrap gap-x-3">
            <span className="w-12 text-sm">bar {at + 1}</span>
            {own.length === 0 && <span className="text-sm">rests</span>}
            {own.map(({ note, name }, index) => (
              <span key={index} className="font-mono font-bold">
                {own[index - 1]?.note.tick === note.tick && "+ "}
                {note.art === "dead" ? "dead" : name}
              </span>
            ))}
          </li>
        );
      })}
    </ol>
  );
}

/** A line in tab, a bar in each row: the string nearest the floor on top, length as an underline. */
function Tab({ riff, notes, meter, strings: names, strokes }: Props) {
  const strings = riff.tuning.length;
  const bar = ticksOfBar(meter);
  const bars = Math.max(1, Math.ceil(riff.ticks / bar));
  const signs = notes.map((note, at) => strokeSign(note, strokes[at] ?? null));
  const isStruck = signs.some((sign) => sign !== "");
  const foot = strings * ROW + 8;
  const height = foot + (isStruck ? ROW : 0);
  const y = (string: number) => (strings - 1 - string) * ROW + ROW / 2 + 4;
  return (
    <div className="mt-2 flex flex-col gap-1">
      {Array.from({ length: bars }, (_, at) => {
        const from = at * bar;
        const share = Math.min(1, (riff.ticks - from) / bar);
        const x = (tick: number) => LEFT + ((tick - from) / bar) * BAR_WIDTH + 6;
        const own = notes.flatMap((note, index) =>
          note.tick >= from && note.tick < from + bar ? [{ note, index }] : [],
        );
        const told = ({ note, index }: (typeof own)[number]) =>
          [names[note.string] ?? "?", signOfNote(note), strokeWords(note, strokes[index] ?? null)]
            .filter((word) => word !== "")
            .join(" ");
        return (
          <svg
            key={from}
            viewBox={`0 0 ${LEFT + BAR_WIDTH + 8} ${height}`}
            role="img"
            aria-label={`${riff.name}, bar ${at + 1}: ${own.length === 0 ? "nothing" : own.map(told).join(", ")}`}
            className="w-full max-w-md font-mono"
          >
            {riff.tuning.map((_open, string) => (
              <g key={string}>
                <text x="0" y={y(string) + 4} fontSize="10" className="fill-base-content">
                  {names[string]}
                </text>
                <line
                  x1={LEFT}
                  x2={LEFT + BAR_WIDTH * share}
                  y1={y(string)}
                  y2={y(string)}
                  className="stroke-base-content"
                  strokeOpacity="0.35"
                />
              </g>
            ))}
            <line
              x1={LEFT + BAR_WIDTH * share}
              x2={LEFT + BAR_WIDTH * share}
              y1={y(strings - 1)}
              y2={y(0)}
              className="stroke-base-content"
            />
            {own.map(({ note, index }) => {
              const sign = signOfNote(note);
              const width = sign.length * 7 + 4;
              const end = Math.min(LEFT + BAR_WIDTH, x(note.tick) + (note.ticks / bar) * BAR_WIDTH - 4);
              return (
                <g key={index}>
                  <line
                    x1={x(note.tick)}
                    x2={Math.max(x(note.tick) + width, end)}
                    y1={y(note.string) + 7}
                    y2={y(note.string) + 7}
                    className="stroke-primary"
                    strokeWidth="2"
                    strokeDasharray={note.ring ? "4 2" : undefined}
                  />
                  <text
                    x={x(note.tick)}
                    y={y(note.string) + 4}
                    fontSize="12"
                    fontWeight="700"
                    className="fill-base-content stroke-base-200"
                    strokeWidth="5"
                    paintOrder="stroke"
                  >
                    {sign}
                  </text>
                  {own.find((one) => one.note.tick === note.tick)?.index === index && (
                    <text
                      x={x(note.tick)}
                      y={foot + 10}
                      fontSize="12"
                      fontWeight="700"
                      className="fill-base-content"
                    >
                      {signs[index]}
                    </text>
                  )}
                  {note.round !== null && (
                    <text x={x(note.tick)} y={y(note.string) - 6} fontSize="8" className="fill-base-content">
                      {note.round}.
                    </text>
                  )}
                </g>
              );
            })}
          </svg>
        );
      })}
    </div>
  );
}
