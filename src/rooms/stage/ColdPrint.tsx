"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { NamesChoice } from "@/core/song/names";
import { COLD_INSTRUMENTS, type ColdInstrument, type StagePart } from "@/core/stage";
import { Neck } from "@/ui/Neck";
import { describePercent } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { NamesSwitch, queryOf } from "../names";
import type { ColdBox, ColdPart } from "./cold-part";
import { PrintSheet } from "./PrintSheets";

type Props = {
  readonly title: string;
  readonly by: string;
  readonly versionId: string;
  readonly instrument: ColdInstrument;
  readonly names: NamesChoice;
  readonly cold: ColdPart;
};

/** The part of somebody who does not know the song, for paper: one chord or two, when they come back, notes that fit. */
export function ColdPrint({ title, by, versionId, instrument, names, cold }: Props) {
  const router = useRouter();
  const [at, setAt] = useState(cold.suits);
  const box = cold.boxes[Math.min(at, cold.boxes.length - 1)];
  const go = (plays: ColdInstrument, chords: readonly string[], told: NamesChoice = names) => {
    const query = new URLSearchParams(queryOf(told));
    query.set("plays", plays);
    if (chords.length > 0) query.set("chords", chords.join(" "));
    router.replace(`/print/${versionId}/cold?${query}`, { scroll: false });
  };
  return (
    <main className="mx-auto max-w-4xl bg-white px-6 py-4 text-black">
      <h1 className="sr-only">Joining cold: {title}</h1>
      <header className="no-print mb-6 flex flex-wrap items-end gap-3 border-b pb-3">
        <p className="flex w-full items-center gap-4">
          <strong className="mr-auto text-lg">Somebody joins who does not know the song</strong>
          <Link className="link" href={`/song/${versionId}/players`}>
            Back to the song
          </Link>
          <button type="button" className="btn btn-primary btn-sm" onClick={() => window.print()}>
            Print
          </button>
        </p>
        <SelectField
          className="w-52"
          label="Plays"
          value={instrument}
          options={COLD_INSTRUMENTS.map((one) => ({ value: one, label: one }))}
          onSet={(plays) => go(plays, [])}
        />
        <SelectField
          className="w-52"
          label="Chords"
          value={cold.chosen.join(" ")}
          options={chordChoices(cold)}
          onSet={(chords) => go(instrument, chords.split(" "))}
        />
        {cold.boxes.length > 0 && (
          <SelectField
            className="w-52"
            label="Single notes"
            value={String(Math.min(at, cold.boxes.length - 1))}
            options={cold.boxes.map((one, index) => ({
              value: String(index),
              label: `${fretsOf(one)}${index === cold.suits ? ", suits the hand" : ""}`,
            }))}
            onSet={(index) => setAt(Number(index))}
          />
        )}
        <NamesSwitch
          choice={names}
          players={[]}
          onChoose={(fields) => go(instrument, cold.chosen, { ...names, ...fields })}
        />
        <p className="w-full text-sm">
          On their own phone: they join the evening by its code and choose “I don’t know the songs”. It
          follows the key, the capo and the form as they are changed.
        </p>
      </header>
      {cold.chosen.length === 0 && (
        <p>No chord is played in this song yet: a card stands here once there is one.</p>
      )}
      <PrintSheet part={onPaper(cold.part)} title={title} by={by}>
        <NotesThatFit cold={cold} box={box} />
      </PrintSheet>
    </main>
  );
}

/** On paper the strum, which is the same throughout, stands once, and words only where a chord is theirs. */
const onPaper = (part: StagePart): StagePart => ({
  ...part,
  sheets: part.sheets.map((sheet, at) => ({
    ...sheet,
    strum: at === 0 ? sheet.strum : null,
    lines: sheet.lines.some(({ pieces }) => pieces.some(({ name }) => name !== null)) ? sheet.lines : [],
  })),
});

/** Each chord alone, and the two most useful together. */
function chordChoices({ offered }: ColdPart): { value: string; label: string }[] {
  const [first, second] = offered;
  const alone = offered.map(({ symbol, name, share }) => ({
    value: symbol,
    label: `only ${name}, ${describePercent(share)} of the song`,
  }));
  if (!first || !second) return alone;
  const both = {
    value: `${first.symbol} ${second.symbol}`,
    label: `${first.name} and ${second.name}, ${describePercent(first.share + second.share)}`,
  };
  return [alone[0]!, both, ...alone.slice(1)];
}

const fretsOf = ({ from, to }: ColdBox): string => `frets ${from === 0 ? "open" : from} to ${to}`;

function NotesThatFit({ cold: { fits, part, strings }, box }: { cold: ColdPart; box: ColdBox | undefined }) {
  return (
    <section aria-label="Notes that fit" className="my-3 flex flex-wrap items-start gap-x-8 gap-y-2">
      {fits.length > 0 && (
        <div>
          <h3 className="font-bold">Notes that fit</h3>
          <ul>
            {fits.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </div>
      )}
      {box && (
        <div className="min-w-72 flex-1">
          <h3 className="font-bold">
            Or single notes: {box.scale}, {fretsOf(box)}
          </h3>
          <div className="text-black [--color-base-100:#fff] [--color-base-content:#000]">
            <Neck
              strings={strings}
              marks={box.places}
              from={box.from}
              to={Math.max(box.to, 4)}
              capo={part.capo}
              leftHanded={part.leftHanded}
              length={360}
              title={`${box.scale}, ${fretsOf(box)}`}
              className="w-full max-w-xl"
            />
          </div>
        </div>
      )}
    </section>
  );
}
