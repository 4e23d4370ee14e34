"use client";

import Link from "next/link";
import { useState } from "react";
import { describeSemitones } from "@/core/pitch";
import { set } from "@/core/song/edit";
import { type PitchRange, reachOf, type SungPlace, sungPlaces, writtenRange } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import { byOrder } from "@/document";
import { PitchField } from "@/ui/PitchField";
import { SelectField } from "@/ui/SelectField";
import { derive, useAct, useDerived, useNames, useRows } from "../open";
import { useSingerRange } from "../players";
import { SungNote } from "./SungNote";
import { VoiceKeys } from "./VoiceKeys";

/** The voice: who sings, how high and low they can, what each section asks, and the keys that fit. */
export function Voice() {
  const body = useRows("players");
  const [chosen, setChosen] = useState("");
  const singers = Object.values(body.players)
    .sort(byOrder)
    .filter((player) => player.sings);
  const singer = singers.find((one) => one.id === chosen) ?? singers[0];
  const places = sungPlaces(useDerived(derive.outline));
  return (
    <section aria-label="The voice" className="mb-8 rounded-box bg-base-200 p-4">
      <h2 className="mb-2">The voice</h2>
      {singer ? (
        <div className="mb-4 flex flex-wrap items-end gap-3">
          {singers.length > 1 && (
            <SelectField
              label="Singer"
              className="w-40"
              value={singer.id}
              options={singers.map((one) => ({ value: one.id, label: one.name }))}
              onSet={setChosen}
            />
          )}
          <SingerRange key={singer.id} singer={singer} />
        </div>
      ) : (
        <p className="mb-4">
          Nobody sings yet.{" "}
          <Link className="link font-bold" href="players">
            Tick “sings” in Players
          </Link>
          ; the keys that fit their voice stand here then.
        </p>
      )}
      <SectionRanges singer={singer?.range ?? null} places={places} />
      {singer?.range && places.length > 0 && <VoiceKeys singer={singer.range} places={places} />}
    </section>
  );
}

function SingerRange({ singer }: { singer: Player }) {
  const { low, high, problem, put } = useSingerRange(singer);
  const namer = useNames()();
  return (
    <>
      <PitchField
        namer={namer}
        label={`${singer.name}’s lowest note`}
        className="w-36"
        value={low}
        onSet={(midi) => put({ low: midi })}
      />
      <SungNote which="lowest" onHeld={(midi) => put({ low: midi })} />
      <PitchField
        namer={namer}
        label={`${singer.name}’s highest note`}
        className="w-36"
        value={high}
        onSet={(midi) => put({ high: midi })}
      />
      <SungNote which="highest" onHeld={(midi) => put({ high: midi })} />
      {problem && (
        <p role="alert" className="w-full text-sm text-error">
          {problem}
        </p>
      )}
    </>
  );
}

/** What each section asks of the voice, in the key it is played in; places out of reach can be sung lower. */
function SectionRanges({ singer, places }: { singer: PitchRange | null; places: readonly SungPlace[] }) {
  const act = useAct();
  const outline = useDerived(derive.outline);
  const namer = useNames()();
  const sung = outline.sections.filter(
    ({ section, lines }) =>
      (section.melodyRange !== null || lines.some((line) => line.text !== "")) &&
      outline.form.some((use) => use.sectionId === section.id && use.vocals),
  );
  return (
    <div className="mb-4">
      <p className="pb-1 text-sm">
        What the melody asks, as it sounds in {namer.keyName(namer.soundingKey)}. Type its lowest and highest
        note; it moves along when the key is changed.
      </p>
      <ul>
        {sung.map(({ section }) => (
          <SectionRange
            key={section.id}
            sectionId={section.id}
            label={section.label}
            singer={singer}
            places={places.filter((place) => place.use.sectionId === section.id)}
            onSet={(range) => act(set("sections", section.id, { melodyRange: range && [...range] }))}
          />
        ))}
      </ul>
    </div>
  );
}

function SectionRange({
  sectionId,
  label,
  singer,
  places,
  onSet,
}: {
  sectionId: string;
  label: string;
  singer: PitchRange | null;
  places: readonly SungPlace[];
  onSet: (range: PitchRange | null) => void;
}) {
  const body = useRows("version", "sections");
  const act = useAct();
  const namer = useNames()();
  const stored = body.sections[sectionId]?.melodyRange ?? null;
  const place = places[0];
  const own = place && {
    ...place,
    use: { ...place.use, shift: 0, octaveDown: false },
    range: stored ?? place.range,
  };
  const shown = own ? reachOf(body, own, null).range : null;
  const [half, setHalf] = useState<{ low: number | null; high: number | null }>({ low: null, high: null });
  const low = shown?.[0] ?? half.low;
  const high = shown?.[1] ?? half.high;
  const put = (next: { low: number | null; high: number | null }) => {
    setHalf(next);
    if (next.low === null || next.high === null) {
      if (stored) onSet(null);
      return;
    }
    const sorted: PitchRange = next.low <= next.high ? [next.low, next.high] : [next.high, next.low];
    onSet(writtenRange(body, sorted));
  };
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-base-300 border-b py-2">
      <strong className="w-24">{label}</strong>
      <PitchField
        namer={namer}
        label={`${label}: lowest note`}
        hideLabel
        value={low}
        onSet={(midi) => put({ low: midi, high })}
      />
      to
      <PitchField
        namer={namer}
        label={`${label}: highest note`}
        hideLabel
        value={high}
        onSet={(midi) => put({ low, high: midi })}
      />
      <div className="min-w-72 flex-1">
        {places.length === 0 && <span className="text-sm">not known yet</span>}
        {onceEach(places).map((one) => (
          <Reach
            key={one.use.id}
            place={one}
            isNamed={one.label !== label}
            singer={singer}
            onLower={(octaveDown) => act(set("uses", one.use.id, { octaveDown }))}
          />
        ))}
      </div>
    </li>
  );
}

/** Places told alike, once. */
const onceEach = (places: readonly SungPlace[]): SungPlace[] =>
  places.filter(
    (one, at) =>
      places.findIndex(
        (other) =>
          other.label === one.label &&
          other.use.shift === one.use.shift &&
          other.use.octaveDown === one.use.octaveDown &&
          other.range.join() === one.range.join(),
      ) === at,
  );

/** One time through a section against the voice. */
function Reach({
  place,
  isNamed,
  singer,
  onLower,
}: {
  place: SungPlace;
  /** Whether its name has to be told: it is not its section's. */
  isNamed: boolean;
  singer: PitchRange | null;
  onLower: (octaveDown: boolean) => void;
}) {
  const body = useRows("version");
  const { range, above, below, fitsLower } = reachOf(body, place, singer);
  const namer = useNames()(null, place.use.shift);
  const isOut = above > 0 || below > 0;
  const words = [
    above > 0 ? `${describeSemitones(above)} too high` : "",
    below > 0 ? `${describeSemitones(below)} too low` : "",
  ].filter((part) => part !== "");
  return (
    <div className="flex flex-wrap items-center gap-x-2">
      {isNamed && <span className="font-bold">{place.label}</span>}
      <span className="min-w-28 font-mono text-sm">
        {range.map((one) => namer.soundingPitch(one)).join(" to ")}
      </span>
      <span className={isOut ? "font-bold" : ""}>
        {!singer ? "" : isOut ? words.join(", ") : "within reach"}
        {place.use.octaveDown && ", sung an octave lower"}
      </span>
      {place.use.octaveDown ? (
        <button type="button" className="link text-sm" onClick={() => onLower(false)}>
          sing {place.label} as written again
        </button>
      ) : (
        isOut &&
        fitsLower && (
          <button type="button" className="link text-sm font-bold" onClick={() => onLower(true)}>
            sing {place.label} an octave lower
          </button>
        )
      )}
    </div>
  );
}
