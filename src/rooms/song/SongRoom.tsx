"use client";

import { useRef, useState } from "react";

import { beatsOfBar, beatUnitOf, formatBeats, type Meter } from "@/core/rhythm";
import { addSection, addUse, songEdits } from "@/core/song/edit";
import { meterOf, type Note, type Notes, placeNames, type Timeline, versionRow } from "@/core/song/read";
import { describeTime } from "@/ui/pretty";
import { TextField } from "@/ui/TextField";
import {
  derive,
  makeId,
  useAct,
  useActOnSong,
  useCurrentVersion,
  useDerived,
  useNames,
  useRows,
  useSong,
} from "../open";
import { Form } from "./Form";
import { FormStrip } from "./FormStrip";
import { HeadNotes } from "./KeptNotes";
import { homesIn, sungOver } from "./otherwise/homes";
import { SectionCard } from "./SectionCard";
import { Settings } from "./Settings";
import { SongTabs } from "./SongTabs";
import { UsePanel } from "./UsePanel";

/** The Song room: what is sung and played, in bars, and the order it comes in. */
export function SongRoom() {
  const version = versionRow(useRows("version"));
  const names = useNames();
  const current = useCurrentVersion();
  const act = useAct();
  const outline = useDerived(derive.outline);
  const sums = useDerived(derive.sums);
  const sketches = useDerived(derive.sketches);
  const places = placeNames(outline);
  const homes = useSameEach(
    new Map(outline.sections.map(({ section }) => [section.id, homesIn(outline, section.id, null, places)])),
  );
  const over = useSameEach(sungOver(outline, places));
  const unplayed = outline.sections.filter(
    ({ section }) => !outline.form.some((use) => use.sectionId === section.id),
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const formRows = useDerived((body) => derive.formRows(body, names));
  const timeline = useDerived(derive.timeline);
  const alike = useDerived((body) => derive.alike(body, names));
  const notes = useDerived(derive.notes);
  const use = outline.form.find((one) => one.id === chosen);
  const choose = (useId: string) => setChosen((before) => (before === useId ? null : useId));
  return (
    <>
      <Title />
      <SongTabs />
      <FormStrip timeline={timeline} chosen={chosen} onChoose={choose} />
      {use && <UsePanel use={use} version={version} onClose={() => setChosen(null)} />}
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-[minmax(0,1fr)_22rem]">
        <div className="order-2 flex flex-col gap-5 xl:order-1">
          {outline.sections.length === 0 && (
            <p className="rounded-box bg-base-200 p-4">
              This song has no sections yet. Add the first one below, or make a new song by pasting a sheet.
            </p>
          )}
          {outline.sections.map((section) => (
            <SectionCard
              key={section.section.id}
              outline={section}
              sum={sums.get(section.section.id)}
              version={version}
              alike={alike.get(section.section.id)}
              notes={notes.get(section.section.id)}
              sketch={sketches.get(section.section.id)}
              homes={homes.get(section.section.id)!}
              sungOver={over.get(section.section.id) ?? NONE}
              onOpen={setChosen}
            />
          ))}
          <button
            type="button"
            className="btn self-start"
            onClick={() =>
              act(addSection(current(), `Section ${outline.sections.length + 1}`, "other", makeId))
            }
          >
            Add a section
          </button>
        </div>
        <aside className="order-1 flex flex-col gap-5 xl:order-2">
          <Settings version={version} />
          <Form
            rows={formRows}
            sections={useSame(outline.sections.map(({ section }) => section))}
            chosen={chosen}
            onChoose={choose}
          />
          {unplayed.length > 0 && (
            <section aria-label="Not in the form">
              <h2>Not in the form</h2>
              {unplayed.map(({ section }) => (
                <button
                  key={section.id}
                  type="button"
                  className="btn btn-sm mt-1 mr-1"
                  onClick={() => act(addUse(current(), section.id, makeId))}
                >
                  Play {section.label} at the end
                </button>
              ))}
            </section>
          )}
          <HeadNotes notes={keptApart(notes)} />
        </aside>
      </div>
    </>
  );
}

function Title() {
  const song = Object.values(useSong().song)[0]!;
  const actOnSong = useActOnSong();
  const timeline = useDerived(derive.timeline);
  const meter = meterOf(useRows("version"));
  return (
    <div className="mb-4 flex flex-wrap items-end gap-4">
      <h1 className="sr-only">{song.title}: Song</h1>
      <TextField
        label="Title"
        value={song.title}
        required
        longest={200}
        className="w-80"
        onSet={(title) => actOnSong(songEdits.set("song", song.id, { title }))}
      />
      <TextField
        label="By"
        value={song.by}
        longest={200}
        className="w-56"
        onSet={(by) => actOnSong(songEdits.set("song", song.id, { by }))}
      />
      <TextField
        label="Tags, with commas between"
        value={song.tags.join(", ")}
        longest={400}
        className="w-52"
        onSet={(tags) => actOnSong(songEdits.set("song", song.id, { tags: tagsOf(tags) }))}
      />
      <p className="pb-1">{describeLength(timeline, meter)}</p>
    </div>
  );
}

/** Tags as typed: each once, at most 30 of 40 characters. */
const tagsOf = (text: string): string[] =>
  [...new Set(text.split(/[,;]/u).map((tag) => tag.trim().slice(0, 40)))]
    .filter((tag) => tag !== "")
    .slice(0, 30);

/** What stands before the first section, and directives wherever they stand. */
const keptApart = (notes: Notes): Note[] =>
  [...notes].flatMap(([section, lines]) =>
    [...lines.values()].flat().filter((note) => section === null || note.kind === "directive"),
  );

/** "46 bars of 4 beats, 2:25". */
function describeLength(timeline: Timeline, meter: Meter): string {
  const beats = formatBeats(beatsOfBar(meter, beatUnitOf(meter)));
  return `${timeline.bars} ${timeline.bars === 1 ? "bar" : "bars"} of ${beats} beats, ${describeTime(timeline.seconds)}`;
}

const NONE: readonly never[] = Object.freeze([]);

/** The same values as last time by their section, while they say the same: a card is drawn anew only when its own changes. */
function useSameEach<Value>(fresh: ReadonlyMap<string, Value>): ReadonlyMap<string, Value> {
  const last = useRef(fresh);
  const kept = new Map(
    [...fresh].map(([id, value]) => {
      const before = last.current.get(id);
      return [id, before !== undefined && JSON.stringify(before) === JSON.stringify(value) ? before : value];
    }),
  );
  last.current = kept;
  return kept;
}

/** The same list as last time while its entries are the same. */
function useSame<Entry>(list: readonly Entry[]): readonly Entry[] {
  const last = useRef(list);
  const same =
    last.current.length === list.length && list.every((entry, index) => entry === last.current[index]);
  if (!same) last.current = list;
  return last.current;
}
