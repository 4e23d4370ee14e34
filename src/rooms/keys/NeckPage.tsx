"use client";

import Link from "next/link";
import { useState } from "react";
import { parseChord } from "@/core/chord";
import { type NeckPlace, neckPlaces, notesOfChord, notesOfScale, type WantedNote } from "@/core/fretboard";
import { type Key, moveKey, SCALE_NAMES, type ScaleName, scaleOfKey } from "@/core/pitch";
import type { Namer } from "@/core/song/names";
import { keysOf, resolveCell, type Timeline, tuningOf } from "@/core/song/read";
import type { Use } from "@/core/song/schema";
import { Neck } from "@/ui/Neck";
import { describeCapo, pretty } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { derive, useDerived, useNames, useOpenSong, useRows } from "../open";
import { PlayerChoice, PlayerPage, type PlayerPageProps } from "./PlayerChoice";

const LABELS = [
  { value: "notes", label: "note names" },
  { value: "degrees", label: "degrees" },
] as const;
const FRETS = 15;

/** The neck: every place of a chord or scale in a section's key, for making a line. */
export const NeckPage = () => <PlayerPage>{SectionNeck}</PlayerPage>;

function SectionNeck({ players, player, onPlayer }: PlayerPageProps) {
  const body = useRows("version");
  const { version } = useOpenSong();
  const timeline = useDerived(derive.timeline);
  const index = useDerived(derive.cellIndex);
  const outline = useDerived(derive.outline);
  const [useId, setUseId] = useState("");
  const [what, setWhat] = useState("scale");
  const [labels, setLabels] = useState<"notes" | "degrees">("notes");
  const use = outline.form.find((one) => one.id === useId) ?? outline.form[0];
  const key = moveKey(keysOf(body).sounding, use?.shift ?? 0);
  const capo = use ? resolveCell(index, use, player).capo.value : player.capo;
  const names = useNames();
  const namer = names({ player, capo }, use?.shift ?? 0);
  const chords = use ? chordsAt(namer, timeline, use) : [];
  const shown = whatIsShown(what, key, chords);
  const nameOf = (of: Key) => namer.note(of.tonic);
  const title = shown.symbol === null ? `${nameOf(key)} ${shown.scale}` : namer.readSounding(shown.symbol);
  const places = neckPlaces(shown.notes, { tuning: tuningOf(player), capo, frets: FRETS });
  const strings = namer.strings();
  return (
    <section aria-label="The neck">
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <PlayerChoice players={players} player={player} onSet={onPlayer} />
        <SelectField
          label="Section"
          className="w-44"
          value={use?.id ?? ""}
          options={outline.form.map((one) => ({
            value: one.id,
            label: `${one.label ?? outline.byId.get(one.sectionId)?.section.label ?? ""}${one.shift === 0 ? "" : `, in ${names({ player, capo }, one.shift).keyName(moveKey(keysOf(body).sounding, one.shift))}`}`,
          }))}
          onSet={setUseId}
        />
        <SelectField
          label="Show"
          className="w-56"
          value={shown.value}
          options={[
            { value: "scale", label: `the key: ${nameOf(key)} ${scaleOfKey(key)}` },
            ...SCALE_NAMES.map((scale) => ({
              value: `scale ${scale}`,
              label: `${nameOf(key)} ${scale}`,
            })),
            ...chords.map(({ symbol, name }) => ({
              value: `chord ${symbol}`,
              label:
                !namer.isOfShapes || name === namer.inCustom(symbol)
                  ? `the chord ${name}`
                  : `the chord ${name} (sounds ${namer.inCustom(symbol)})`,
            })),
          ]}
          onSet={setWhat}
        />
        <SelectField label="Named by" className="w-36" value={labels} options={LABELS} onSet={setLabels} />
      </div>
      <h2 className="mb-1">
        {title}, {player.name}, {describeCapo(capo)}
      </h2>
      <p className="mb-2 text-sm">
        {labels === "notes"
          ? namer.isOfShapes
            ? "Notes as the hand has them."
            : "Notes as they sound."
          : "Degrees from the root."}{" "}
        A filled square is the root. Frets count from the {capo > 0 ? "capo" : "nut"}.
      </p>
      <div className="overflow-x-auto">
        <Neck
          strings={strings}
          marks={places.map((place) => ({
            ...place,
            label: labels === "notes" ? namer.noteNamed(place.note) : pretty(place.degree),
          }))}
          to={FRETS}
          capo={capo}
          leftHanded={player.leftHanded}
          title={`${title} on the neck`}
          className="w-full min-w-[44rem]"
        />
      </div>
      <p className="mt-2">
        <Link className="link" href={`/print/${version.id}/cold?plays=${player.instrument}`}>
          Somebody joins who does not know the song
        </Link>
      </p>
      <details className="mt-2">
        <summary className="cursor-pointer">As strings and frets</summary>
        <StringsAndFrets places={places} strings={strings} />
      </details>
    </section>
  );
}

/** The chords a section plays this time: how they sound, and in the reader's names. */
function chordsAt(namer: Namer, timeline: Timeline, use: Use): { symbol: string; name: string }[] {
  const found = new Map<string, string>();
  for (const passage of timeline.passages.filter((one) => one.use.id === use.id))
    for (const line of passage.lines)
      for (const { chord } of line.outline.chords) {
        const named = namer.name(chord.symbol);
        if (named.chord?.kind === "chord") found.set(named.sounding, named.read);
      }
  return [...found].map(([symbol, name]) => ({ symbol, name }));
}

/** What is asked for, or the key's own scale where that is not in this section. */
function whatIsShown(
  what: string,
  key: Key,
  chords: readonly { symbol: string }[],
): { value: string; symbol: string | null; scale: ScaleName; notes: WantedNote[] } {
  if (what.startsWith("chord ")) {
    const symbol = what.slice("chord ".length);
    const chord = parseChord(symbol);
    if (chord.ok && chords.some((one) => one.symbol === symbol))
      return { value: what, symbol, scale: scaleOfKey(key), notes: notesOfChord(chord.value) };
  }
  const scale = SCALE_NAMES.find((one) => what === `scale ${one}`);
  const shown: ScaleName = scale ?? scaleOfKey(key);
  return {
    value: scale ? what : "scale",
    symbol: null,
    scale: shown,
    notes: notesOfScale(key, shown),
  };
}

function StringsAndFrets({ places, strings }: { places: readonly NeckPlace[]; strings: readonly string[] }) {
  return (
    <dl className="mt-1 grid w-fit grid-cols-[auto_1fr] gap-x-4">
      {strings.map((name, string) => (
        <div key={`${name}${string}`} className="contents">
          <dt className="font-bold">{name}</dt>
          <dd className="font-mono">
            {places
              .filter((place) => place.string === string)
              .map((place) => place.fret)
              .join(" ") || "nothing"}
          </dd>
        </div>
      ))}
    </dl>
  );
}
