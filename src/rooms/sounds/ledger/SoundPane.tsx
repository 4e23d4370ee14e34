"use client";

import { set } from "@/core/song/edit";
import {
  EFFECT_IDS,
  EFFECTS,
  GUITAR_SETTINGS,
  HAND_SETTINGS,
  isAsked,
  OVERALL_SETTINGS,
  type SettingKey,
  type SettingValue,
  type Sound,
} from "@/core/song/schema";
import {
  addSound,
  describeDifferences,
  describeSound,
  differencesOf,
  isOn,
  PLAIN_SETTINGS,
  removeSound,
  renameSound,
  setBase,
  setSetting,
  settingsOf,
  soundNamed,
  usesOfSound,
} from "@/core/sounds";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { makeId, SourceAndDoubt, useAct, useCurrentVersion, VariantField } from "../../open";
import type { Tones } from "../use-sounds";
import { RemoveSound } from "./RemoveSound";
import { ValueField } from "./ValueField";

/** The sounds of a player, and one of them opened: what is on, and the few settings that matter. */
export function SoundPane({
  tones,
  open,
  onOpen,
}: {
  tones: Tones;
  open: Sound | null;
  onOpen: (id: string) => void;
}) {
  const act = useAct();
  const current = useCurrentVersion();
  const { song } = tones;
  const add = (fromId: string | null, name: string) => {
    const id = makeId();
    act(addSound(current(), song.player.id, { id, name, fromId }));
    onOpen(id);
  };
  return (
    <aside
      aria-label="Sounds"
      className="rounded-box border border-base-300 bg-base-100 p-4 xl:sticky xl:top-4"
    >
      <h2 className="mb-2">{song.player.name}’s sounds</h2>
      {song.sounds.length === 0 ? (
        <p className="mb-3 text-sm">No sound is described yet. Begin with the one most sections use.</p>
      ) : (
        <ul className="mb-3 flex flex-wrap gap-2">
          {song.sounds.map((sound) => (
            <li key={sound.id}>
              <button
                type="button"
                className="btn btn-sm"
                aria-pressed={sound.id === open?.id}
                onClick={() => onOpen(sound.id)}
              >
                {sound.name}
              </button>
            </li>
          ))}
        </ul>
      )}
      <p className="mb-4 flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" onClick={() => add(null, "New sound")}>
          New sound
        </button>
        {open && (
          <button type="button" className="btn btn-sm" onClick={() => add(open.id, `${open.name}, other`)}>
            New one from “{open.name}”
          </button>
        )}
      </p>
      {open && <OpenSound key={open.id} tones={tones} sound={open} />}
    </aside>
  );
}

function OpenSound({ tones, sound }: { tones: Tones; sound: Sound }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { body, song } = tones;
  const settings = settingsOf(body.sounds, sound);
  const base = sound.fromId === null ? undefined : body.sounds[sound.fromId];
  const told = base
    ? (describeDifferences(differencesOf(settingsOf(body.sounds, base), settings)) ?? "the same")
    : describeSound(settings);
  const change = (key: SettingKey, value: SettingValue) => {
    const row = current().sounds[sound.id];
    if (row) act(setSetting(current().sounds, row, key, value));
  };
  const field = (key: SettingKey) => (
    <ValueField key={key} setting={key} value={settings[key]} onSet={(value) => change(key, value)} />
  );
  return (
    <div className="border-t border-base-300 pt-3">
      <NameAndBase tones={tones} sound={sound} />
      <p className="mb-3 rounded-field bg-base-200 px-2 py-1 text-sm">
        {base ? `“${base.name}”, but ` : ""}
        {told}
        {Object.keys(sound.said).length > 0 && base && (
          <button
            type="button"
            className="link ml-2"
            onClick={() => act(set("sounds", sound.id, { said: {} }))}
          >
            the same again
          </button>
        )}
      </p>
      <Group label="Overall">{OVERALL_SETTINGS.map(field)}</Group>
      <Group label="Effects">
        {EFFECT_IDS.map((id) => (
          <div
            key={id}
            className="flex w-full flex-wrap items-end gap-x-3 gap-y-1 border-b border-base-300 pb-2"
          >
            {field(id)}
            {isOn(settings, id) &&
              EFFECTS[id].settings.filter((key) => isAsked(settings, key)).map((key) => field(key))}
          </div>
        ))}
      </Group>
      <Group label="At the guitar">{GUITAR_SETTINGS.map(field)}</Group>
      <Group label="Hands">{HAND_SETTINGS.map(field)}</Group>
      <TextField
        label="Note"
        className="mb-3"
        value={sound.note}
        longest={200}
        onSet={(note) => act(set("sounds", sound.id, { note }))}
      />
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <SourceAndDoubt
          what="this sound"
          said={sound}
          onSet={(fields) => act(set("sounds", sound.id, fields))}
        />
        <VariantField value={sound.variant} onSet={(variant) => act(set("sounds", sound.id, { variant }))} />
        <SelectField
          label="Another way of"
          className="w-40"
          value={sound.variantOf ?? ""}
          options={[
            { value: "", label: "no other sound" },
            ...song.sounds
              .filter(({ id }) => id !== sound.id)
              .map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onSet={(id) => act(set("sounds", sound.id, { variantOf: id || null }))}
        />
      </div>
      <RemoveSound
        sound={sound}
        uses={usesOfSound(body, sound)}
        others={song.sounds.filter(({ id }) => id !== sound.id)}
        onRemove={(instead) => act(removeSound(current(), sound, instead))}
      />
      <p className="mt-3 text-sm">
        Set levels with everybody playing and the loudest sound on; protect your ears.
      </p>
      {differencesOf(PLAIN_SETTINGS, settings).length === 0 && (
        <p className="mt-1 text-sm">Nothing is on in this sound yet.</p>
      )}
    </div>
  );
}

/** What a sound is called, and which sound it starts from. */
function NameAndBase({ tones: { body, song }, sound }: { tones: Tones; sound: Sound }) {
  const act = useAct();
  const current = useCurrentVersion();
  const bases = song.sounds.filter(
    (one) => one.id !== sound.id && setBase(body.sounds, sound, one.id) !== null,
  );
  return (
    <div className="mb-2 flex flex-wrap items-end gap-3">
      <TextField
        label="Name"
        className="w-48"
        value={sound.name}
        required
        longest={80}
        check={(name) =>
          name.trim() !== sound.name && soundNamed(body, sound.playerId, name.trim())
            ? `There is a sound called ${name.trim()} already.`
            : null
        }
        onSet={(name) => {
          const command = renameSound(current(), sound, name);
          if (command) act(command);
        }}
      />
      <SelectField
        label="Starts from"
        className="w-44"
        value={sound.fromId ?? ""}
        options={[
          { value: "", label: "a plain sound" },
          ...bases.map((one) => ({ value: one.id, label: one.name })),
        ]}
        onSet={(id) => {
          const command = setBase(current().sounds, sound, id || null);
          if (command) act(command);
        }}
      />
    </div>
  );
}

function Group({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <fieldset className="mb-3">
      <legend className="mb-1 text-sm font-bold">{label}</legend>
      <div className="flex flex-wrap items-end gap-3">{children}</div>
    </fieldset>
  );
}
