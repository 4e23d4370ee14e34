"use client";

import { type KeyboardEvent, useRef } from "react";
import type { NamesChoice } from "@/core/song/names";
import type { READS, WRITINGS } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";

type Shows = (typeof READS)[number];
type Writing = (typeof WRITINGS)[number];

/** Somebody whose shapes names can be told as; what is to be known of their hand stands behind the name. */
type Shaped = { readonly name: string; readonly told: string };

const WRITING_WORDS: Readonly<Record<Writing, string>> = {
  letters: "C D E F G A B",
  german: "C D E F G A H, B is B flat",
  syllables: "Do Ré Mi Fa Sol La Si",
};

/**
 * How names are told here, for whoever looks: what sounds, the shapes of a player, or degrees; in which letters, and with which
 * black keys.
 */
export function NamesSwitch({
  choice,
  players,
  onChoose,
}: {
  choice: NamesChoice;
  /** Whoever has shapes; null where no song is open and only keys are told. */
  players: readonly Shaped[] | null;
  onChoose: (choice: Partial<NamesChoice>) => void;
}) {
  const box = useRef<HTMLDetailsElement>(null);
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== "Escape" || !box.current?.open) return;
    event.stopPropagation();
    box.current.open = false;
    box.current.querySelector("summary")?.focus();
  };
  return (
    <details
      ref={box}
      className="no-print relative"
      onKeyDown={onKeyDown}
      onBlur={(event) => {
        const { relatedTarget } = event;
        if (relatedTarget && !event.currentTarget.contains(relatedTarget)) event.currentTarget.open = false;
      }}
    >
      <summary className="btn btn-sm font-normal">Names: {describeChoice(choice, players)}</summary>
      <div className="z-30 mt-1 flex flex-col max-sm:fixed max-sm:inset-x-4 sm:absolute sm:right-0 sm:w-72 gap-3 rounded-box border border-base-300 bg-base-100 p-3 shadow-lg">
        {players && <ChordsField choice={choice} players={players} onChoose={onChoose} />}
        <SelectField
          label="Written"
          value={choice.writing ?? ""}
          options={[
            { value: "", label: players ? "as each player writes" : "as it comes" },
            ...Object.entries(WRITING_WORDS).map(([value, label]) => ({ value, label })),
          ]}
          onSet={(value) => onChoose({ writing: value === "" ? null : (value as Writing) })}
        />
        <SelectField
          label="Black keys"
          value={choice.accidentals ?? ""}
          options={[
            { value: "", label: players ? "as each player reads" : "as it comes" },
            { value: "key", label: "as the key has them" },
            { value: "sharps", label: "always sharps" },
            { value: "flats", label: "always flats" },
          ]}
          onSet={(value) =>
            onChoose({
              accidentals: value === "" ? null : (value as NonNullable<NamesChoice["accidentals"]>),
            })
          }
        />
        {players && <LinesField choice={choice} onChoose={onChoose} />}
        <p className="text-sm">
          Only in this window.{players && " What a player reads is set under Players."}
        </p>
      </div>
    </details>
  );
}

/** Before the name of whose shapes are chosen. */
const SHAPES_OF = "shapes of ";

type FieldProps = {
  choice: NamesChoice;
  onChoose: (choice: Partial<NamesChoice>) => void;
};

function ChordsField({
  choice: { shows, of },
  players,
  onChoose,
}: FieldProps & { players: readonly Shaped[] }) {
  const isElsewhere = of !== null && !players.some(({ name }) => name === of);
  return (
    <SelectField
      label="Chords are told"
      value={of === null ? (shows ?? "") : SHAPES_OF + of}
      options={[
        { value: "", label: "as each player reads" },
        { value: "sounding", label: "as they sound" },
        ...players.map((player) => ({
          value: SHAPES_OF + player.name,
          label: `as shapes of ${player.name}${player.told}`,
        })),
        ...(isElsewhere
          ? [
              {
                value: SHAPES_OF + of,
                label: `as shapes of ${of}${players.length > 0 ? ", who is not in this song" : ""}`,
              },
            ]
          : []),
        { value: "degrees", label: "as degrees of the key" },
      ]}
      onSet={(value) =>
        onChoose(
          value.startsWith(SHAPES_OF)
            ? { shows: "shapes", of: value.slice(SHAPES_OF.length) }
            : { shows: value === "" ? null : (value as Shows), of: null },
        )
      }
    />
  );
}

function LinesField({ choice, onChoose }: FieldProps) {
  return (
    <SelectField
      label="Lines"
      value={choice.lines ?? ""}
      options={[
        { value: "", label: "as each player reads" },
        { value: "tab", label: "in tab" },
        { value: "notes", label: "as notes with their octave" },
        { value: "both", label: "in tab, notes beside" },
      ]}
      onSet={(value) =>
        onChoose({ lines: value === "" ? null : (value as NonNullable<NamesChoice["lines"]>) })
      }
    />
  );
}

/** "each their own", "shapes of Mara, syllables". */
function describeChoice(
  { shows, of, writing, accidentals, lines }: NamesChoice,
  players: readonly Shaped[] | null,
): string {
  const said = [
    players === null
      ? ""
      : shows === "shapes"
        ? `shapes${of === null ? "" : ` of ${of}`}`
        : shows === "sounding"
          ? "as they sound"
          : (shows ?? ""),
    writing === "german" ? "with H" : (writing ?? ""),
    accidentals === "key" ? "black keys by key" : (accidentals ?? ""),
    players === null || lines === null ? "" : lines === "tab" ? "tab" : "lines as notes",
  ].filter((one) => one !== "");
  return said.length > 0 ? said.join(", ") : players ? "each their own" : "as they come";
}
