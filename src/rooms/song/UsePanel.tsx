"use client";

import { useEffect, useRef } from "react";
import { describeOpenSection, METER_UNITS, MOST_BEATS_IN_A_BAR, MOST_BPM, ticksOfBar } from "@/core/rhythm";
import { copyUse, isPlainUse, set, unfold } from "@/core/song/edit";
import {
  beatUnitOfUse,
  meterOfUse,
  type OutlineException,
  passageSum,
  placeNames,
  timedChords,
} from "@/core/song/read";
import type { Use, VersionRow } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { usePane } from "@/ui/use-pane";
import { derive, makeId, useAct, useCurrentVersion, useDerived, useNames } from "../open";
import { ExceptionRow } from "./otherwise/ExceptionRow";
import { homesIn } from "./otherwise/homes";
import { PlayedHere } from "./otherwise/PlayedHere";
import { SayOtherwise } from "./otherwise/SayOtherwise";

/** One place in the form opened: what is otherwise there than where the section is written. */
export function UsePanel({ use, version, onClose }: { use: Use; version: VersionRow; onClose: () => void }) {
  const act = useAct();
  const current = useCurrentVersion();
  const outline = useDerived(derive.outline);
  const timeline = useDerived(derive.timeline);
  const namer = useNames()(null, use.shift);
  const section = outline.byId.get(use.sectionId);
  const panel = useRef<HTMLElement>(null);
  const onKeyDown = usePane(onClose);
  // It opens above the sheet, while the form may have been scrolled far down.
  // biome-ignore lint/correctness/useExhaustiveDependencies: another place is another panel
  useEffect(() => {
    panel.current?.scrollIntoView({ block: "nearest" });
  }, [use.id]);
  if (!section) return null;
  const label = placeNames(outline).get(use.id) ?? section.section.label;
  const exceptions = outline.exceptions.get(use.id) ?? [];
  const homes = homesIn(outline, section.section.id, use);
  const sungIn = ({ exception }: OutlineException) =>
    timeline.passages
      .find((passage) => passage.use.id === use.id)
      ?.lines.find(({ slot }) => slot !== null && slot === exception.lineId)?.outline;
  return (
    <section
      ref={panel}
      aria-label={`${label} here`}
      onKeyDown={onKeyDown}
      className="mb-4 rounded-box border-2 border-base-content/60 bg-base-100 p-4"
    >
      <header className="mb-2 flex flex-wrap items-center gap-3">
        <h2>{label}, at this place in the form</h2>
        <button type="button" className="link ml-auto text-sm" onClick={onClose}>
          Close
        </button>
      </header>
      <UseFields use={use} version={version} />
      <OpenHere use={use} version={version} />
      <PlayedHere key={use.id} use={use} section={section} outline={outline} version={version} />
      {exceptions.some(isListed) && (
        <ul className="mt-3 flex flex-col gap-3">
          {exceptions.filter(isListed).map((one) => (
            <ExceptionRow
              key={one.exception.id}
              one={one}
              section={section}
              use={use}
              outline={outline}
              version={version}
              homes={homes}
              sung={sungIn(one)}
            />
          ))}
        </ul>
      )}
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <SayOtherwise
          label="Otherwise here, in words"
          section={section}
          outline={outline}
          homes={homes}
          meter={meterOfUse(version, use)}
          beatUnit={beatUnitOfUse(version, use)}
          nameOf={(symbol) => namer.chord(symbol)}
        />
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => act(copyUse(current(), derive.outline(current()), use.id, makeId))}
        >
          Play it once more, as it is here
        </button>
      </div>
      {!isPlainUse(use, outline) && exceptions.length > 0 && (
        <p className="mt-3 text-sm">
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => act(unfold(current(), derive.outline(current()), use.id, makeId))}
          >
            Make a section of its own
          </button>{" "}
          All that is different here is then written out; nothing that sounds changes.
        </p>
      )}
    </section>
  );
}

/** Other words stand in their lines above. */
const isListed = ({ exception }: OutlineException): boolean => exception.kind !== "words";

/** What is otherwise at this place: name, times, key, tempo, metre, vocals. */
function UseFields({ use, version }: { use: Use; version: VersionRow }) {
  const act = useAct();
  const change = (fields: Partial<Use>) => act(set("uses", use.id, fields));
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-3">
      <TextField
        label="Its name here"
        value={use.label ?? ""}
        longest={80}
        className="w-40"
        onSet={(text) => change({ label: text.trim() === "" ? null : text.trim() })}
      />
      <NumberField
        label="Times"
        value={use.repeat}
        least={1}
        most={32}
        onSet={(repeat) => change({ repeat })}
      />
      <NumberField
        label="Key"
        unit="semitones up"
        value={use.shift}
        least={-11}
        most={11}
        onSet={(shift) => change({ shift })}
      />
      <NumberField
        label={use.bpm === null ? "Tempo (the song’s)" : "Tempo here"}
        unit="a minute"
        value={use.bpm ?? version.bpm}
        least={1}
        most={MOST_BPM}
        whole={false}
        onSet={(bpm) => change({ bpm: bpm === version.bpm ? null : bpm })}
      />
      <NumberField
        label={use.meterBeats === null ? "Metre (the song’s)" : "Metre here"}
        unit="beats"
        value={use.meterBeats ?? version.meterBeats}
        least={1}
        most={MOST_BEATS_IN_A_BAR}
        onSet={(beats) => change({ meterBeats: beats === version.meterBeats ? null : beats })}
      />
      <SelectField
        label="of a note of"
        className="w-24"
        value={String(use.meterUnit ?? version.meterUnit)}
        options={METER_UNITS.map((unit) => ({ value: String(unit), label: `1/${unit}` }))}
        onSet={(text) => {
          const unit = Number(text) as VersionRow["meterUnit"];
          change({ meterUnit: unit === version.meterUnit ? null : unit });
        }}
      />
      <label className="flex items-center gap-2 pb-1 text-sm">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={!use.vocals}
          onChange={(event) => change({ vocals: !event.target.checked })}
        />
        no vocals
      </label>
    </div>
  );
}

/** Bars that do not close with what is otherwise here. */
function OpenHere({ use, version }: { use: Use; version: VersionRow }) {
  const { passages } = useDerived(derive.timeline);
  const names = useNames();
  const at = passages.findIndex((passage) => passage.use.id === use.id);
  const passage = passages[at];
  const sum = passage && passageSum(passage, passages[at + 1]);
  if (!passage || !sum?.open) return null;
  const bar = ticksOfBar(passage.meter);
  const namer = names(null, passage.shift);
  const lines = passage.lines.map(({ outline }) =>
    timedChords(outline).map((chord) => ({ ...chord, symbol: namer.chord(chord.symbol) })),
  );
  return (
    <p role="note" className="mt-3 rounded-field border-2 border-warning px-3 py-2">
      <strong>Does not close here.</strong>{" "}
      {describeOpenSection(sum.open, lines, bar, beatUnitOfUse(version, use)).message}
    </p>
  );
}
