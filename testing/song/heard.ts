import { unwrap } from "../../src/base";
import type { VersionCommand } from "../../src/core/song/edit";
import { timelineOf } from "../../src/core/song/read";
import { DOCUMENTS, type VersionBody } from "../../src/core/song/schema";
import { applyEdit, checkBody } from "../../src/document";

/** A quarter note in ticks. */
export const Q = 960;

/** A body after an edit, checked as a whole. */
export function edited(body: VersionBody, command: VersionCommand): VersionBody {
  const next = unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
  unwrap(checkBody(DOCUMENTS.version, next));
  return next;
}

/** All that is heard and sung: every passage with its bars, chords, words and ticks, without ids. */
export const heard = (body: VersionBody) =>
  timelineOf(body).passages.map((one) => ({
    bars: one.bars.map((bar) => `${bar.number}@${bar.tick / Q}+${bar.ticks / Q}`),
    tacet: one.tacet,
    lines: one.lines.map(({ outline, events, wordTicks }) => ({
      text: outline.text,
      chords: outline.chords.map(({ chord, at }, index) => [chord.symbol, at, events[index]]),
      wordTicks,
    })),
  }));

/** Each passage in one line: "G@0+2" is G at beat 0 of the song for 2 beats, "G@0+2/1" one that sounds for one of them. */
export const played = (body: VersionBody): string[] =>
  timelineOf(body).passages.map(({ lines }) =>
    lines
      .flatMap(({ outline, events }) =>
        outline.chords.map(({ chord }, at) => {
          const { tick, ticks, sounds } = events[at]!;
          const rings = sounds === ticks ? "" : `/${sounds / Q}`;
          return `${chord.symbol}@${tick / Q}+${ticks / Q}${rings}`;
        }),
      )
      .join(" "),
  );

/** What is sung in each passage, with the chord at the sign it stands at: "[G]Light on [D]the". */
export const sung = (body: VersionBody): string[] =>
  timelineOf(body).passages.map(({ lines }) =>
    lines
      .map(({ outline: { text, chords } }) =>
        chords.reduceRight(
          (said, { chord, at }) => `${said.slice(0, at)}[${chord.symbol}]${said.slice(at)}`,
          text,
        ),
      )
      .join(" / "),
  );
