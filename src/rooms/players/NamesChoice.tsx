"use client";

import { set } from "@/core/song/edit";
import { type Player, READS, WRITINGS } from "@/core/song/schema";
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

/** Which chord names a player reads, everywhere in the program. */
export function NamesChoice({ player }: { player: Player }) {
  const act = useAct();
  const usual = player.instrument === "guitar" ? "shapes" : "sounding";
  const reads = player.reads ?? usual;
  return (
    <>
      <SelectField
        label={`${player.name} reads`}
        className="w-52"
        value={reads}
        options={READS.map((value) => ({ value, label: READ_WORDS[value] }))}
        onSet={(value) =>
          act(set("players", player.id, { reads: value === usual ? null : (value as Player["reads"]) }))
        }
      />
      {reads !== "degrees" && (
        <SelectField
          label="written as"
          className="w-40"
          value={player.writing}
          options={WRITINGS.map((value) => ({ value, label: WRITING_WORDS[value] }))}
          onSet={(value) => act(set("players", player.id, { writing: value }))}
        />
      )}
    </>
  );
}
