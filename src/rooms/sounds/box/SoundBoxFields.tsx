"use client";

import {
  BOX_CHANGES,
  BOX_LANDINGS,
  MOST_BOX_BANKS,
  MOST_BOX_SLOTS,
  SOUND_BOX_KINDS,
  type SoundBox,
} from "@/core/song/schema";
import { SOUND_BOX_PROFILES } from "@/core/sounds";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Tick";
import type { ChangeBox } from "./change-box";

const LANDING_WORDS = {
  saved: "on the slot saved with it",
  "same-slot": "on the slot number in use",
} as const;
const CHANGE_WORDS = { "arm-go": "armed first, then let go", direct: "at once" } as const;
const KIND_WORDS = { banks: "banks of slots", pedals: "single pedals without memory" } as const;

type Props = { readonly box: SoundBox; readonly change: ChangeBox };

/** What a box of sounds is and can do, and kinds of boxes to start from. */
export function BoxFields({ box, change }: Props) {
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-3">
        <SelectField
          label="Start from"
          className="w-72"
          value=""
          options={[
            { value: "", label: "choose a kind of box" },
            ...SOUND_BOX_PROFILES.map(({ name }) => ({ value: name, label: name })),
          ]}
          onSet={(name) => {
            const profile = SOUND_BOX_PROFILES.find((one) => one.name === name);
            if (profile) change({ ...profile, pedals: [...profile.pedals] });
          }}
        />
        <TextField
          label="Name"
          className="w-72"
          value={box.name}
          required
          longest={60}
          onSet={(name) => change({ name })}
        />
        <SelectField
          label="It is"
          className="w-60"
          value={box.kind}
          options={SOUND_BOX_KINDS.map((kind) => ({ value: kind, label: KIND_WORDS[kind] }))}
          onSet={(kind) => change({ kind })}
        />
      </div>
      {box.kind === "banks" && <BankFields box={box} change={change} />}
      <div className="mb-4 flex flex-wrap items-end gap-x-6 gap-y-2">
        {box.kind === "banks" && (
          <Tick
            label="A bank takes two switches together"
            on={box.twoSwitches}
            onSet={(twoSwitches) => change({ twoSwitches })}
          />
        )}
        <Tick label="Echoes ring on over a change" on={box.tails} onSet={(tails) => change({ tails })} />
        <Tick
          label="Its longest delay is known"
          on={box.longestDelayMs !== null}
          onSet={(on) => change({ longestDelayMs: on ? 1000 : null })}
        />
        {box.longestDelayMs !== null && (
          <NumberField
            label="Longest delay"
            value={box.longestDelayMs}
            least={1}
            most={60_000}
            unit="ms"
            onSet={(longestDelayMs) => change({ longestDelayMs })}
          />
        )}
      </div>
    </>
  );
}

/** How banks of slots are laid and changed. */
function BankFields({ box, change }: Props) {
  return (
    <div className="mb-4 flex flex-wrap items-end gap-3">
      <NumberField
        label="Slots in a bank"
        value={box.slots}
        least={1}
        most={MOST_BOX_SLOTS}
        onSet={(slots) => change({ slots })}
      />
      <Tick
        label="As many banks as one likes"
        on={box.banks === null}
        onSet={(on) => change({ banks: on ? null : 10 })}
      />
      {box.banks !== null && (
        <NumberField
          label="Banks"
          value={box.banks}
          least={1}
          most={MOST_BOX_BANKS}
          onSet={(banks) => change({ banks })}
        />
      )}
      <NumberField
        label="Silent at a bank change"
        value={box.gapMs}
        least={0}
        most={10_000}
        unit="ms"
        onSet={(gapMs) => change({ gapMs })}
      />
      <SelectField
        label="A bank is changed"
        className="w-48"
        value={box.change}
        options={BOX_CHANGES.map((one) => ({ value: one, label: CHANGE_WORDS[one] }))}
        onSet={(one) => change({ change: one })}
      />
      <SelectField
        label="It opens"
        className="w-60"
        value={box.landing}
        options={BOX_LANDINGS.map((one) => ({ value: one, label: LANDING_WORDS[one] }))}
        onSet={(one) => change({ landing: one })}
      />
    </div>
  );
}
