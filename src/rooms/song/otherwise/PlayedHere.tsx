"use client";

import { beatsOfBar } from "@/core/rhythm";
import { addException, batch, removalIn, setWords } from "@/core/song/edit";
import {
  beatUnitOfUse,
  meterOfUse,
  type Outline,
  type OutlineException,
  type OutlineSection,
  type Passage,
  passageSum,
  type TimedLine,
} from "@/core/song/read";
import type { Use, VersionRow } from "@/core/song/schema";
import { piecesOf } from "@/ui/pieces";
import { TextField } from "@/ui/TextField";
import { derive, makeId, useAct, useCurrentVersion, useDerived, useNames } from "../../open";
import { homesIn } from "./homes";
import { MarkedLine } from "./MarkedLine";
import { useMarks } from "./use-marks";

type Props = {
  readonly use: Use;
  readonly section: OutlineSection;
  readonly outline: Outline;
  readonly version: VersionRow;
};

/** The lines as they are sung and played at one place of the form: a chord is pressed to be changed there alone. */
export function PlayedHere({ use, section, outline, version }: Props) {
  const { passages } = useDerived(derive.timeline);
  const namer = useNames()(null, use.shift);
  const homes = homesIn(outline, section.section.id, use);
  const beatUnit = beatUnitOfUse(version, use);
  const meter = meterOfUse(version, use);
  const marks = useMarks(homes, meter, beatUnit);
  const at = passages.findIndex((passage) => passage.use.id === use.id);
  const passage = passages[at];
  if (!passage) return null;
  const next = passages[at + 1];
  const sum = passageSum(passage, next);
  const nameOf = (symbol: string) => {
    const { read, chord } = namer.name(symbol);
    return { name: read, readable: chord !== null };
  };
  const ownWords = (line: TimedLine) =>
    (outline.exceptions.get(use.id) ?? []).filter(
      ({ exception }) => exception.kind === "words" && line.slot !== null && exception.lineId === line.slot,
    );
  return (
    <div data-marks className="mt-3 text-lg">
      {passage.lines.map((line, index) => (
        <div key={line.outline.line.id} className="flex items-start gap-3 py-1">
          <div className="min-w-0 flex-1">
            <MarkedLine
              pieces={piecesOf(line.outline, sum.lines[index], beatUnit, nameOf, {
                events: line.events,
                next: nextOf(passage, index, next, nameOf),
                tacet: passage.tacet,
              })}
              beatsInBar={beatsOfBar(meter, beatUnit)}
              marks={marks}
              label={`line ${index + 1} of ${passage.label}`}
              toWritten={(text) => namer.toWritten(text)}
            />
            {ownWords(line).map((own) => (
              <OwnWords
                key={own.exception.id}
                own={own}
                use={use}
                label={`line ${index + 1} of ${passage.label}`}
              />
            ))}
          </div>
          <OtherHere line={line} use={use} label={`line ${index + 1} of ${passage.label}`} />
        </div>
      ))}
    </div>
  );
}

/** The chord that comes after a line. */
function nextOf(
  { lines }: Passage,
  index: number,
  next: Passage | undefined,
  nameOf: (symbol: string) => { name: string; readable: boolean },
) {
  const after = [...lines.slice(index + 1), ...(next?.lines ?? [])].find(({ events }) => events.length > 0);
  const chord = after?.outline.chords[0]?.chord;
  return after && chord ? { ...nameOf(chord.symbol), event: after.events[0]! } : null;
}

/** Gives a line of the section other words, or other chords, at this place alone; other words are typed here. */
function OtherHere({ line, use, label }: { line: TimedLine; use: Use; label: string }) {
  const act = useAct();
  const current = useCurrentVersion();
  if (line.slot === null) return null;
  const offered = [
    ...(line.origin === "section" ? (["words"] as const) : []),
    ...(line.origin === "chords" ? [] : (["chords"] as const)),
  ];
  const put = (kind: (typeof offered)[number]) =>
    act(addException(derive.outline(current()), { useId: use.id }, kind, { lineId: line.slot }, makeId));
  return (
    <span className="flex w-28 shrink-0 flex-col items-end text-sm">
      {offered.map((kind) => (
        <button
          key={kind}
          type="button"
          className="link"
          aria-label={`Other ${kind} in ${label}`}
          onClick={() => put(kind)}
        >
          Other {kind}
        </button>
      ))}
    </span>
  );
}

/** The words of a line that has its own here, to be typed anew or given up for the section's. */
function OwnWords({ own, use, label }: { own: OutlineException; use: Use; label: string }) {
  const act = useAct();
  const current = useCurrentVersion();
  const [line] = own.lines;
  if (!line || own.exception.useId !== use.id) return null;
  return (
    <details className="text-sm">
      <summary className="cursor-pointer">Its own words here</summary>
      <div className="flex flex-wrap items-end gap-3">
        <TextField
          label={`Words of ${label}`}
          className="min-w-60 flex-1"
          value={line.text}
          longest={2000}
          onSet={(text) => act(setWords(line, text, makeId))}
        />
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            act(batch("The section’s words again", removalIn(current(), "exceptions", own.exception.id)))
          }
        >
          The section’s words again
        </button>
      </div>
    </details>
  );
}
