"use client";

import { ACCIDENTALS } from "@/core/pitch";
import { set } from "@/core/song/edit";
import { usualReads } from "@/core/song/names";
import { hasStrings } from "@/core/song/read";
import { LINE_READS, type Player, READS, SHEET_VIEWS, WRITINGS } from "@/core/song/schema";
import { SHEET_WORDS } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { useAct } from "../open";

const READ_WORDS: Readonly<Record<(typeof READS)[number], string>> = {
  shapes: "shapes behind the capo",
  sounding: "chords as they sound",
  degrees: "degrees of the key",
};
const WRITING_WORDS: Readonly<Record<(typeof WRITINGS)[number], string>> = {
  letters: "A B C, B for B",
  german: "A H C, H for B",
  syllables: "La Si Do",
};
const ACCIDENTAL_WORDS: Readonly<Record<(typeof ACCIDENTALS)[number], string>> = {
  key: "♯ and ♭ by key",
  sharps: "always ♯",
  flats: "always ♭",
};
const LINE_WORDS: Readonly<Record<(typeof LINE_READS)[number], string>> = {
  tab: "tab",
  notes: "notes with octave",
  both: "tab and notes",
};

/** Which names a player reads, everywhere in the program. */
export function NamesChoice({ player }: { player: Player }) {
  const act = useAct();
  const usual = usualReads(player);
  const change = (fields: Partial<Player>) => act(set("players", player.id, fields));
  return (
    <>
      <SelectField
        label={`${player.name} reads`}
        className="w-52"
        value={player.reads ?? usual}
        options={READS.map((value) => ({ value, label: READ_WORDS[value] }))}
        onSet={(value) => change({ reads: value === usual ? null : value })}
      />
      <SelectField
        label="written as"
        className="w-40"
        value={player.writing}
        options={WRITINGS.map((value) => ({ value, label: WRITING_WORDS[value] }))}
        onSet={(writing) => change({ writing })}
      />
      <SelectField
        label="black keys"
        className="w-36"
        value={player.accidentals}
        options={ACCIDENTALS.map((value) => ({ value, label: ACCIDENTAL_WORDS[value] }))}
        onSet={(accidentals) => change({ accidentals })}
      />
      {hasStrings(player) && (
        <SelectField
          label="lines as"
          className="w-40"
          value={player.lines}
          options={LINE_READS.map((value) => ({ value, label: LINE_WORDS[value] }))}
          onSet={(lines) => change({ lines })}
        />
      )}
      {hasStrings(player) && (
        <SelectField
          label="of chords and line"
          className="w-40"
          value={player.sheet}
          options={SHEET_VIEWS.map((value) => ({ value, label: SHEET_WORDS[value] }))}
          onSet={(sheet) => change({ sheet })}
        />
      )}
    </>
  );
}
