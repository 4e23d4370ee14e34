"use client";

import { memo, type ReactNode } from "react";
import { HIGHEST_CAPO, STYLES } from "@/core/fretboard";
import { isOnlyLine, type SheetPart, type SheetRow } from "@/core/parts";
import { formatKey } from "@/core/pitch";
import { setCell } from "@/core/song/edit";
import {
  describeBarsProblem,
  formatBars,
  hasStrings,
  Namer,
  readBars,
  readerOf,
  techniqueOf,
  techniquesFor,
} from "@/core/song/read";
import { LIGHT_WORDS, ROLES } from "@/core/song/schema";
import { soundsOf } from "@/core/sounds";
import { describeCapo, pretty, ROLE_WORDS } from "@/ui/pretty";
import { SectionTag } from "@/ui/SectionTag";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { Toggles } from "@/ui/Toggles";
import { STYLE_WORDS, stringSets } from "@/ui/voicing-words";
import { Wick } from "@/ui/Wick";
import { derive, makeId, useAct, useCurrentVersion, useDerivedLater, useRowsLater } from "../open";
import { From } from "./From";
import { LineField } from "./LineField";
import { PhraseRoles } from "./PhraseRoles";
import { Shapes } from "./Shapes";
import { stretchesOf } from "./SheetCell";
import { StrumField } from "./StrumField";

/** The selected cell opened: what the player does there, how it is played, and the shapes they hold. */
export const CellPane = memo(function CellPane({ part, row }: { part: SheetPart; row: SheetRow }) {
  const body = useRowsLater("version", "sounds");
  const current = useCurrentVersion();
  const act = useAct();
  const { use, player, cell, out } = part;
  const change = (fields: Parameters<typeof setCell>[3]) =>
    act(setCell(derive.cellIndex(current()), use.id, player.id, fields, makeId));
  const namer = new Namer(body, readerOf(player, cell.capo.value), use.shift);
  const strings = hasStrings(player);
  const others = useDerivedLater(derive.sheet).players.filter((one) => one.id !== player.id);
  return (
    <div className="flex flex-col gap-4">
      <h2 className="flex flex-wrap items-center gap-2">
        {player.name} <SectionTag label={row.label} kind={row.section.kind} />
      </h2>
      <div>
        <Toggles
          label={
            <>
              Light <From what="light" value={cell.light} onClear={() => change({ light: null })} />
            </>
          }
          value={cell.light.value}
          options={LIGHT_WORDS.map((word, light) => ({ value: light, label: `${light} ${word}` }))}
          className="px-2"
          onSet={(light) => change({ light })}
        />
        <Wick
          light={out ? 0 : cell.light.value}
          carries={cell.role.value === "carry" && !out}
          stretches={stretchesOf(part, row.bars)}
        />
      </div>
      <div className="grid grid-cols-2 gap-3">
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
            value={formatBars(cell.bars.value)}
            check={(text) => {
              const read = readBars(text, row.bars);
              return read.ok ? null : describeBarsProblem(read.problem);
            }}
            onSet={(text) => {
              const read = readBars(text, row.bars);
              if (read.ok)
                change({ bars: read.value ? read.value.map(([from, to]) => [from, to]) : [[0, row.bars]] });
            }}
          />
          <From what="bars" value={cell.bars} onClear={() => change({ bars: null })} />
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
                options={withCurrent(stringSets(player.tuning), cell.strings.value)}
                onSet={(set) => change({ strings: set === "" ? null : set.split(",").map(Number) })}
              />
              <From what="strings" value={cell.strings} onClear={() => change({ strings: null })} />
            </Slot>
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
            <p className="mt-1 text-sm">Holds shapes of {pretty(formatKey(namer.shapeKey))}.</p>
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
      </div>
      <PhraseRoles part={part} bars={row.bars} onSet={(phrases) => change({ phrases })} />
      <div>
        <TextField
          label="Note"
          value={cell.note.value}
          onSet={(note) => change({ note: note === "" ? null : note })}
        />
        <From what="note" value={cell.note} onClear={() => change({ note: null })} />
      </div>
      {!out && player.instrument !== "voice" && <StrumField part={part} row={row} />}
      {!out && strings && <LineField part={part} row={row} />}
      {!out && strings && !isOnlyLine(part) && <Shapes use={use} player={player} cell={cell} namer={namer} />}
    </div>
  );
});

const Slot = ({ children }: { children: ReactNode }) => <div className="min-w-0">{children}</div>;

/** The choices with the present one among them, should it be an odd set. */
const withCurrent = (options: { value: string; label: string }[], strings: readonly number[] | null) =>
  strings === null || options.some(({ value }) => value === strings.join())
    ? options
    : [...options, { value: strings.join(), label: `strings ${strings.map((one) => one + 1).join(", ")}` }];
