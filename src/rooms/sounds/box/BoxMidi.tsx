"use client";

import { EFFECT_IDS, EFFECTS, MOST_BOX_BANKS, type SoundBox } from "@/core/song/schema";
import { programOf } from "@/core/sounds";
import { NumberField } from "@/ui/NumberField";
import type { ChangeBox } from "./change-box";

type Props = { readonly box: SoundBox; readonly onChange: ChangeBox };
type PedalEffect = SoundBox["pedals"][number]["effect"];

const wordsOf = (effect: PedalEffect): string =>
  effect === "pedal" ? "volume pedal" : EFFECTS[effect].words;

/** The MIDI numbers of a box: channel, programs, and the controllers of its pedals. */
export function BoxMidi({ box, onChange }: Props) {
  const free = [...EFFECT_IDS, "pedal" as const].filter(
    (effect) => !box.pedals.some((pedal) => pedal.effect === effect),
  );
  return (
    <>
      <h3 className="mb-1 font-bold">MIDI numbers and pedals</h3>
      <Numbers box={box} onChange={onChange} />
      <p className="mb-2 text-sm">
        {box.kind === "banks"
          ? "Pedals beside the slots, for moves inside a section: each with the controller number it sends."
          : "Each pedal switches one effect; with the controller number it sends."}
      </p>
      <ul className="mb-2 flex flex-col gap-2">
        {box.pedals.map(({ effect, controller }, at) => (
          <li key={effect} className="flex items-end gap-3">
            <span className="w-32 pb-1">{wordsOf(effect)}</span>
            <NumberField
              label={`Controller of ${wordsOf(effect)}`}
              hideLabel
              value={controller}
              least={0}
              most={127}
              onSet={(number) =>
                onChange({
                  pedals: box.pedals.map((pedal, index) =>
                    index === at ? { ...pedal, controller: number } : pedal,
                  ),
                })
              }
            />
            <button
              type="button"
              className="btn btn-sm"
              aria-label={`Remove the pedal for ${wordsOf(effect)}`}
              onClick={() => onChange({ pedals: box.pedals.filter((_, index) => index !== at) })}
            >
              Remove
            </button>
          </li>
        ))}
      </ul>
      {free.length > 0 && <AddPedal box={box} free={free} onChange={onChange} />}
    </>
  );
}

/** Channel and programs; where the song's banks begin. */
function Numbers({ box, onChange }: Props) {
  const last = programOf(box, Math.max(0, (box.banks ?? 1) - 1), box.slots - 1);
  return (
    <div className="mb-3 flex flex-wrap items-end gap-3">
      <NumberField
        label="Channel"
        value={box.channel}
        least={1}
        most={16}
        onSet={(channel) => onChange({ channel })}
      />
      {box.kind === "banks" && (
        <NumberField
          label="Program of bank 1, slot 1"
          value={box.firstProgram}
          least={0}
          most={127}
          onSet={(firstProgram) => onChange({ firstProgram })}
        />
      )}
      {box.kind === "banks" && (
        <NumberField
          label="This song begins in bank"
          value={box.firstBank + 1}
          least={1}
          most={MOST_BOX_BANKS}
          onSet={(bank) => onChange({ firstBank: bank - 1 })}
        />
      )}
      {box.kind === "banks" && last.page > 0 && (
        <p className="max-w-80 text-sm">
          That is more than 128 programs: a bank select (controller 0) is sent before each program.
        </p>
      )}
    </div>
  );
}

/** A pedal more, on the first controller number from 80 on that none has. */
function AddPedal({ box, free, onChange }: Props & { readonly free: readonly PedalEffect[] }) {
  return (
    <label className="flex items-center gap-2 text-sm">
      Add a pedal for
      <select
        className="select select-sm w-44"
        value=""
        onChange={(event) => {
          const effect = free.find((one) => one === event.target.value);
          const used = new Set(box.pedals.map(({ controller }) => controller));
          const controller = Array.from({ length: 40 }, (_, at) => 80 + at).find((one) => !used.has(one));
          if (effect) onChange({ pedals: [...box.pedals, { effect, controller: controller ?? 80 }] });
        }}
      >
        <option value="">choose an effect</option>
        {free.map((effect) => (
          <option key={effect} value={effect}>
            {wordsOf(effect)}
          </option>
        ))}
      </select>
    </label>
  );
}
