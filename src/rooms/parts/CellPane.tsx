"use client";

import { HIGHEST_CAPO, STYLES, type Style } from "@/core/fretboard";
import { formatKey } from "@/core/pitch";
import {
  type Inherited,
  Namer,
  type Player,
  ROLES,
  type Role,
  readerOf,
  resolveCell,
  setCell,
  type Use,
} from "@/core/song";
import { LIGHT_WORDS } from "@/ui/light-words";
import { pretty, ROLE_WORDS, sayCapo } from "@/ui/pretty";
import { SectionTag } from "@/ui/SectionTag";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { STYLE_WORDS, stringSets } from "@/ui/voicing-words";
import { Wick } from "@/ui/Wick";
import { derive, makeId, useAct, useVersion } from "../document";
import { Shapes } from "./Shapes";

const FROM_WORDS = {
  own: "",
  "first use": "from this section’s first time",
  player: "the player’s usual",
} as const;

/** The selected cell opened: what the player does there, and the shapes they hold. */
export function CellPane({ use, player }: { use: Use; player: Player }) {
  const body = useVersion();
  const act = useAct();
  const index = derive.cellIndex(body);
  const section = derive.outline(body).byId.get(use.sectionId);
  if (!section) return null;
  const cell = resolveCell(index, use, player);
  const change = (fields: Parameters<typeof setCell>[3]) =>
    act(setCell(index, use.id, player.id, fields, makeId));
  const namer = new Namer(body, readerOf(player, cell.capo.value), use.shift);
  const label = use.label ?? section.section.label;
  return (
    <div className="flex flex-col gap-4">
      <h2 className="flex flex-wrap items-center gap-2">
        {player.name} <SectionTag label={label} kind={section.section.kind} />
      </h2>
      <fieldset>
        <legend className="text-sm">
          Light <From value={cell.light} onClear={() => change({ light: null })} />
        </legend>
        <div className="join mt-1">
          {LIGHT_WORDS.map((word, light) => (
            <button
              key={word}
              type="button"
              className={`btn btn-sm join-item ${cell.light.value === light ? "btn-primary" : ""}`}
              aria-pressed={cell.light.value === light}
              onClick={() => change({ light })}
            >
              {light} {word}
            </button>
          ))}
        </div>
        <Wick light={cell.light.value} carries={cell.role.value === "carry"} />
      </fieldset>
      <div className="flex flex-wrap gap-3">
        <div>
          <SelectField
            label="Role"
            className="w-40"
            value={cell.role.value}
            options={ROLES.map((role) => ({ value: role, label: ROLE_WORDS[role] }))}
            onSet={(role) => change({ role: role as Role })}
          />
          <From value={cell.role} onClear={() => change({ role: null })} />
        </div>
        <div>
          <SelectField
            label="Voicing"
            className="w-40"
            value={cell.style.value}
            options={STYLES.map((value) => ({ value, label: STYLE_WORDS[value] }))}
            onSet={(style) => change({ style: style as Style })}
          />
          <From value={cell.style} onClear={() => change({ style: null })} />
        </div>
        <div>
          <SelectField
            label="Strings"
            className="w-40"
            value={cell.strings.value?.join() ?? ""}
            options={withCurrent(stringSets(player.tuning), cell.strings.value)}
            onSet={(strings) => change({ strings: strings === "" ? null : strings.split(",").map(Number) })}
          />
          <From value={cell.strings} onClear={() => change({ strings: null })} />
        </div>
        {player.instrument === "guitar" && (
          <div>
            <SelectField
              label="Capo this time"
              className="w-40"
              value={String(cell.capo.value)}
              options={Array.from({ length: HIGHEST_CAPO + 1 }, (_, capo) => ({
                value: String(capo),
                label: sayCapo(capo),
              }))}
              onSet={(capo) => change({ capo: Number(capo) })}
            />
            <From value={cell.capo} onClear={() => change({ capo: null })} />
            <p className="mt-1 text-sm">Holds shapes of {pretty(formatKey(namer.shapeKey))}.</p>
          </div>
        )}
      </div>
      <div>
        <TextField
          label="Note"
          value={cell.note.value}
          onSet={(note) => change({ note: note === "" ? null : note })}
        />
        <From value={cell.note} onClear={() => change({ note: null })} />
      </div>
      {cell.light.value > 0 && cell.role.value !== "out" && (
        <Shapes use={use} player={player} cell={cell} namer={namer} />
      )}
    </div>
  );
}

/** The choices with the present one among them, should it be an odd set. */
const withCurrent = (options: { value: string; label: string }[], strings: readonly number[] | null) =>
  strings === null || options.some(({ value }) => value === strings.join())
    ? options
    : [...options, { value: strings.join(), label: `strings ${strings.map((one) => one + 1).join(", ")}` }];

/** Where a value comes from; an own one can be given back. */
function From({ value, onClear }: { value: Inherited<unknown>; onClear: () => void }) {
  if (value.from === "own") {
    return (
      <button type="button" className="link text-sm" onClick={onClear}>
        let it follow again
      </button>
    );
  }
  return value.value === "" || value.value === null ? null : (
    <span className="text-sm italic">{FROM_WORDS[value.from]}</span>
  );
}
