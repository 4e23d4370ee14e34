"use client";

import { bandEdits } from "@/core/song/edit";
import {
  type BandBody,
  BOX_CHANGES,
  BOX_LANDINGS,
  EFFECT_IDS,
  EFFECTS,
  MOST_BOX_BANKS,
  MOST_BOX_SLOTS,
  type Player,
  SOUND_BOX_KINDS,
  type SoundBox,
} from "@/core/song/schema";
import { programOf, SOUND_BOX_PROFILES, setSoundBox } from "@/core/sounds";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Tick";
import { makeId, useAct, useActOnBand, useBand, useCurrentVersion } from "../../open";
import { Hearing } from "../Hearing";
import { ToneNotes } from "../SoundNotes";
import { SoundsPage } from "../SoundsPlayer";
import { type Tones, useTones } from "../use-sounds";

const LANDING_WORDS = {
  saved: "on the slot saved with it",
  "same-slot": "on the slot number in use",
} as const;
const CHANGE_WORDS = { "arm-go": "armed first, then let go", direct: "at once" } as const;
const KIND_WORDS = { banks: "banks of slots", pedals: "single pedals without memory" } as const;

/** The box on the floor: what it can do, its MIDI numbers, and the band's own box. */
export const BoxPage = () => <SoundsPage>{Box}</SoundsPage>;

function Box({ player }: { player: Player }) {
  const tones = useTones(player);
  const act = useAct();
  const current = useCurrentVersion();
  const { box } = tones.song;
  const change = (fields: Partial<Omit<SoundBox, "id" | "playerId">>) =>
    act(setSoundBox(current(), player.id, fields, makeId));
  const isBanks = box.kind === "banks";
  return (
    <>
      <ToneNotes tones={tones} />
      <section aria-labelledby="sound-box-title" className="mb-8">
        <h2 id="sound-box-title" className="mb-2">
          {player.name}’s box
        </h2>
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
        {isBanks && (
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
        )}
        <div className="mb-4 flex flex-wrap items-end gap-x-6 gap-y-2">
          {isBanks && (
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
        <Midi box={box} onChange={change} />
      </section>
      <WithBand tones={tones} onChange={change} />
      <Hearing />
    </>
  );
}

function Midi({
  box,
  onChange,
}: {
  box: SoundBox;
  onChange: (fields: Partial<Omit<SoundBox, "id" | "playerId">>) => void;
}) {
  const free = [...EFFECT_IDS, "pedal" as const].filter(
    (effect) => !box.pedals.some((pedal) => pedal.effect === effect),
  );
  const wordsOf = (effect: SoundBox["pedals"][number]["effect"]): string =>
    effect === "pedal" ? "volume pedal" : EFFECTS[effect].words;
  const last = programOf(box, Math.max(0, (box.banks ?? 1) - 1), box.slots - 1);
  return (
    <>
      <h3 className="mb-1 font-bold">MIDI numbers and pedals</h3>
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
      {free.length > 0 && (
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
      )}
    </>
  );
}

/** The fields of a box that travel between band and version. */
function boxFields({ id: _id, order: _order, playerId: _player, ...fields }: SoundBox) {
  return fields;
}

/** The box this player has in the band, for all songs. */
function bandBox(band: BandBody | null, player: Player): SoundBox | null {
  if (!band || player.bandPlayerId === null) return null;
  return Object.values(band.soundBoxes).find((box) => box.playerId === player.bandPlayerId) ?? null;
}

/** Keeps the box with the band, or takes the band's: gear belongs to the band, a version has a copy. */
function WithBand({
  tones,
  onChange,
}: {
  tones: Tones;
  onChange: (fields: Partial<Omit<SoundBox, "id" | "playerId">>) => void;
}) {
  const band = useBand();
  const act = useActOnBand();
  const { box, player } = tones.song;
  const { bandPlayerId } = player;
  if (!band || bandPlayerId === null || !band.players[bandPlayerId]) return null;
  const kept = bandBox(band, player);
  const isSame = kept !== null && JSON.stringify(boxFields(kept)) === JSON.stringify(boxFields(box));
  const keep = () => {
    const fields = boxFields(box);
    act(
      kept
        ? bandEdits.set("soundBoxes", kept.id, fields)
        : bandEdits.add("soundBoxes", { ...fields, id: makeId(), order: "V", playerId: bandPlayerId }),
    );
  };
  return (
    <section aria-labelledby="band-box" className="mb-8">
      <h2 id="band-box" className="mb-1">
        With the band
      </h2>
      <p className="mb-2 text-sm">
        {kept === null
          ? `The band keeps no box for ${player.name} yet. Kept there, other songs can take it.`
          : isSame
            ? "This is the box the band keeps."
            : `The band keeps “${kept.name}”, which is set otherwise.`}
      </p>
      <p className="flex flex-wrap gap-2">
        {!isSame && (
          <button type="button" className="btn btn-sm" onClick={keep}>
            Keep this box with the band
          </button>
        )}
        {kept !== null && !isSame && (
          <button type="button" className="btn btn-sm" onClick={() => onChange(boxFields(kept))}>
            Take the band’s box
          </button>
        )}
      </p>
    </section>
  );
}
