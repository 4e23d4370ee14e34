"use client";

import type { ReactNode } from "react";
import { HIGHEST_CAPO, STYLES, USUAL_LAST_FRET } from "@/core/fretboard";
import type { SheetPart, SheetRow } from "@/core/parts";
import type { setCell } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import {
  describeBarsProblem,
  formatBars,
  hasStrings,
  readBars,
  techniqueOf,
  techniquesFor,
  wordsIn,
} from "@/core/song/read";
import { type Cell, ROLES } from "@/core/song/schema";
import { soundsOf } from "@/core/sounds";
import { describeCapo, ROLE_WORDS } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Tick";
import { STYLE_WORDS, stringSets } from "@/ui/voicing-words";
import { derive, useDerivedLater, useRowsLater } from "../open";
import { From } from "./From";

type Props = {
  readonly part: SheetPart;
  readonly change: (fields: Parameters<typeof setCell>[3]) => void;
};

/** How a part is played: role, bars, technique and sound. */
export function PlayedFields({ part, row, change }: Props & { readonly row: SheetRow }) {
  const body = useRowsLater("version", "sounds");
  const { player, cell } = part;
  const words = wordsIn(row.passage);
  return (
    <>
      <Slot>
        <SelectField
          label="Role"
          value={cell.role.value}
          options={ROLES.map((role) => ({ value: role, label: ROLE_WORDS[role] }))}
          onSet={(role) => change({ role })}
        />
        <From what="role" value={cell.role} onClear={() => change({ role: null })} />
      </Slot>
      <Slot>
        <TextField
          label={`Bars played, of ${row.bars}`}
          value={formatBars(cell.barsSaid.value, words)}
          offered={["all", "first half", "second half", "last 2", "none"]}
          check={(text) => {
            const read = readBars(text, row.bars, words);
            return read.ok ? null : describeBarsProblem(read.problem);
          }}
          onSet={(text) => {
            const read = readBars(text, row.bars, words);
            if (read.ok) change({ bars: read.value ? ([...read.value] as Cell["bars"]) : [[0, row.bars]] });
          }}
        />
        <From what="bars" value={cell.barsSaid} onClear={() => change({ bars: null })} />
      </Slot>
      <Slot>
        <SelectField
          label="Technique"
          value={cell.technique.value ?? ""}
          options={[
            ...(cell.technique.value === null ? [{ value: "" as const, label: "not said" }] : []),
            ...techniquesFor(player.instrument).map((id) => ({ value: id, label: techniqueOf(id).words })),
          ]}
          onSet={(technique) => technique !== "" && change({ technique })}
        />
        <From what="technique" value={cell.technique} onClear={() => change({ technique: null })} />
      </Slot>
      <Slot>
        <TextField
          label="Sound"
          longest={80}
          offered={soundsOf(body, player.id).map(({ name }) => name)}
          value={cell.sound.value}
          onSet={(sound) => change({ sound })}
        />
        <From what="sound" value={cell.sound} onClear={() => change({ sound: null })} />
      </Slot>
    </>
  );
}

/** What the hand holds, and with whom: voicing, strings, capo, doubling. */
export function HeldFields({ part, namer, change }: Props & { readonly namer: Namer }) {
  const { player, cell } = part;
  const strings = hasStrings(player);
  const others = useDerivedLater(derive.sheet).players.filter((one) => one.id !== player.id);
  return (
    <>
      {strings && (
        <>
          <Slot>
            <SelectField
              label="Voicing"
              value={cell.style.value}
              options={STYLES.map((value) => ({ value, label: STYLE_WORDS[value] }))}
              onSet={(style) => change({ style })}
            />
            <From what="voicing" value={cell.style} onClear={() => change({ style: null })} />
          </Slot>
          <Slot>
            <SelectField
              label="Strings"
              value={cell.strings.value?.join() ?? ""}
              options={withCurrent(stringSets(namer.strings()), cell.strings.value)}
              onSet={(set) => change({ strings: set === "" ? null : set.split(",").map(Number) })}
            />
            <From what="strings" value={cell.strings} onClear={() => change({ strings: null })} />
          </Slot>
          <Slot>
            <SelectField
              label="Place on the neck"
              value={cell.fret.value === null ? "" : String(cell.fret.value)}
              options={NECK_PLACES}
              onSet={(fret) => change({ fret: fret === "" ? null : Number(fret) })}
            />
            <From what="place" value={cell.fret} onClear={() => change({ fret: null })} />
          </Slot>
          <Slot>
            <Tick label="one shape, moved" on={cell.moved.value} onSet={(moved) => change({ moved })} />
            <From what="moving" value={cell.moved} onClear={() => change({ moved: null })} />
          </Slot>
          {cell.moved.value && (
            <Slot>
              <Tick
                label="from one fret below"
                on={cell.approach.value}
                onSet={(approach) => change({ approach })}
              />
              <From what="way in" value={cell.approach} onClear={() => change({ approach: null })} />
            </Slot>
          )}
        </>
      )}
      {player.instrument === "guitar" && (
        <Slot>
          <SelectField
            label="Capo this time"
            value={String(cell.capo.value)}
            options={Array.from({ length: HIGHEST_CAPO + 1 }, (_, capo) => ({
              value: String(capo),
              label: describeCapo(capo),
            }))}
            onSet={(capo) => change({ capo: Number(capo) })}
          />
          <From what="capo" value={cell.capo} onClear={() => change({ capo: null })} />
          <p className="mt-1 text-sm">Holds shapes of {namer.keyName(namer.shapeKey)}.</p>
        </Slot>
      )}
      {others.length > 0 && (
        <Slot>
          <SelectField
            label="Doubles on purpose"
            value={cell.doubles.value ?? ""}
            options={[
              { value: "", label: "nobody" },
              ...others.map((one) => ({ value: one.id, label: one.name })),
            ]}
            onSet={(doubles) => change({ doubles: doubles === "" ? null : doubles })}
          />
          <From what="doubling" value={cell.doubles} onClear={() => change({ doubles: null })} />
        </Slot>
      )}
    </>
  );
}

/** Where shapes may be wished to lie, by the fret they are about. */
const NECK_PLACES = [
  { value: "", label: "wherever usual" },
  ...Array.from({ length: USUAL_LAST_FRET - 1 }, (_, at) => at + 2).map((fret) => ({
    value: String(fret),
    label: `about fret ${fret}`,
  })),
];

const Slot = ({ children }: { children: ReactNode }) => <div className="min-w-0">{children}</div>;

/** The choices with the present one among them, should it be an odd set. */
const withCurrent = (options: { value: string; label: string }[], strings: readonly number[] | null) =>
  strings === null || options.some(({ value }) => value === strings.join())
    ? options
    : [...options, { value: strings.join(), label: `strings ${strings.map((one) => one + 1).join(", ")}` }];
