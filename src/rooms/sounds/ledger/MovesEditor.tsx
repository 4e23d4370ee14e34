"use client";

import { useState } from "react";
import { MOVED_SETTINGS, type SettingValue, type SoundMove, settingOf } from "@/core/song/schema";
import { type SoundUse, setMoves, tellSoundMove } from "@/core/sounds";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { makeId, useAct, useCurrentVersion } from "../../open";
import type { Tones } from "../use-sounds";
import { ValueField } from "./ValueField";

type Draft = {
  readonly setting: SoundMove["setting"];
  readonly value: SettingValue;
  readonly from: number;
  readonly to: number;
  readonly by: SoundMove["by"];
};

/** Small moves inside a section: what a hand or a foot does to the sound while it is on. */
export function MovesEditor({ tones, soundUse }: { tones: Tones; soundUse: SoundUse }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { song } = tones;
  const { span } = soundUse;
  const row = song.moves.get(span.use.id);
  const moves = row?.moves ?? [];
  const bar = span.passages[0]!.bars.find(({ number }) => number > 0)?.ticks ?? 4 * song.beatTicks;
  const bars = Math.max(1, Math.ceil((span.to - span.from) / bar));
  const place = { useId: span.use.id, playerId: song.player.id };
  const put = (next: SoundMove[]) => act(setMoves(current(), place, { moves: next }, makeId));
  return (
    <fieldset className="mt-2 rounded-box bg-base-200 p-3">
      <legend className="sr-only">Moves inside {span.label}</legend>
      {moves.length > 0 && (
        <ul className="mb-3 flex flex-col gap-1 text-sm">
          {moves.map((move, at) => (
            <li key={at} className="flex items-center gap-3">
              {tellSoundMove(move, soundUse, song.clock)}
              <button
                type="button"
                className="btn btn-xs"
                aria-label={`Remove: ${tellSoundMove(move, soundUse, song.clock)}`}
                onClick={() => put(moves.filter((_, index) => index !== at))}
              >
                Remove
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <NewMove
          bar={bar}
          bars={bars}
          disabled={moves.length >= 32}
          onAdd={(move) => put([...moves, move].sort((a, b) => a.from - b.from))}
        />
        <NumberField
          label="Last chord ends early by"
          unit="beats"
          value={(row?.endsEarly ?? 0) / song.beatTicks}
          least={0}
          most={16}
          whole={false}
          onSet={(beats) =>
            act(setMoves(current(), place, { endsEarly: Math.round(beats * song.beatTicks) }, makeId))
          }
        />
      </div>
    </fieldset>
  );
}

type NewMoveProps = {
  /** Ticks of a bar. */
  readonly bar: number;
  /** Bars of the section. */
  readonly bars: number;
  readonly disabled: boolean;
  readonly onAdd: (move: SoundMove) => void;
};

/** A move that is put together: what, to where, in which bars, by hand or foot. */
function NewMove({ bar, bars, disabled, onAdd }: NewMoveProps) {
  const [draft, setDraft] = useState<Draft>({ setting: "tone", value: 10, from: 1, to: 1, by: "hand" });
  const isGlide = settingOf(draft.setting).kind === "number";
  return (
    <>
      <SelectField
        label="What moves"
        className="w-44"
        value={draft.setting}
        options={MOVED_SETTINGS.map((key) => ({ value: key, label: settingOf(key).words }))}
        onSet={(setting) => {
          const key = setting as SoundMove["setting"];
          const { kind, plain } = settingOf(key);
          setDraft({ ...draft, setting: key, value: kind === "flag" ? true : plain });
        }}
      />
      <ValueField
        setting={draft.setting}
        value={draft.value}
        onSet={(value) => setDraft({ ...draft, value })}
      />
      <NumberField
        label={isGlide ? "From bar" : "At bar"}
        value={draft.from}
        least={1}
        most={bars}
        whole={false}
        onSet={(from) => setDraft({ ...draft, from, to: Math.max(from, draft.to) })}
      />
      {isGlide && (
        <NumberField
          label="Until the end of bar"
          value={draft.to}
          least={draft.from}
          most={bars}
          whole={false}
          onSet={(to) => setDraft({ ...draft, to })}
        />
      )}
      <SelectField
        label="By"
        className="w-24"
        value={draft.by}
        options={[
          { value: "hand", label: "hand" },
          { value: "foot", label: "foot" },
        ]}
        onSet={(by) => setDraft({ ...draft, by: by })}
      />
      <button
        type="button"
        className="btn btn-sm"
        disabled={disabled}
        onClick={() => {
          const from = Math.round((draft.from - 1) * bar);
          const to = isGlide ? Math.round(draft.to * bar) : from;
          onAdd({ setting: draft.setting, value: draft.value, by: draft.by, from, to });
        }}
      >
        Add the move
      </button>
    </>
  );
}
