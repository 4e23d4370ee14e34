"use client";

import { useState } from "react";
import { batch } from "@/core/song/edit";
import { describeSetting } from "@/core/song/schema";
import {
  addSound,
  describeLine,
  describeRest,
  describeSound,
  differencesOf,
  nameSound,
  PLAIN_SETTINGS,
  type Settings,
  type SoundUse,
  tellSoundMove,
} from "@/core/sounds";
import { singles } from "@/document";
import { SectionTag } from "@/ui/SectionTag";
import { derive, makeId, useAct, useCurrentVersion } from "../../open";
import type { Tones } from "../use-sounds";
import { MovesEditor } from "./MovesEditor";
import { MovesLine } from "./MovesLine";

/** Chosen in the list of sounds to make a new one. */
const NEW = " new";
/** What is shown where the section's first use names the sound. Names are never written with a space before them. */
const INHERITS = " inherits";

/** The song from top to bottom: each section's sound, told by what changes from the one before, and the moves in it. */
export function ThroughSong({
  tones,
  openName,
  onOpen,
}: {
  tones: Tones;
  openName: string | null;
  onOpen: (id: string) => void;
}) {
  const { song } = tones;
  if (song.soundUses.length === 0)
    return (
      <p className="rounded-box bg-base-200 p-4">
        {song.player.name} plays nowhere yet: put sections in the form in Song, and give {song.player.name}{" "}
        light in Parts.
      </p>
    );
  return (
    <section aria-labelledby="through-title">
      <h2 id="through-title" className="mb-1">
        Through the song
      </h2>
      <p className="mb-3 max-w-3xl text-sm">
        Each place says only what changes from the sound before it. The silence before it is read off the
        song: that is where a foot can change without being heard.
      </p>
      <ol className="flex flex-col">
        {song.soundUses.map((soundUse, at) => (
          <Row
            key={soundUse.span.use.id}
            tones={tones}
            soundUse={soundUse}
            before={at === 0 ? null : song.soundUses[at - 1]!}
            isOpen={soundUse.sound !== null && soundUse.sound === openName}
            onOpen={onOpen}
          />
        ))}
      </ol>
    </section>
  );
}

function Row({
  tones,
  soundUse,
  before,
  isOpen,
  onOpen,
}: {
  tones: Tones;
  soundUse: SoundUse;
  before: SoundUse | null;
  isOpen: boolean;
  onOpen: (id: string) => void;
}) {
  const [editing, setEditing] = useState(false);
  const { song } = tones;
  const { span, sound, rest } = soundUse;
  const own = song.sounds.find(({ name }) => name === sound);
  const moves = song.moves.get(span.use.id);
  return (
    <li className="border-t border-base-300 py-3">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <SectionTag label={span.label} kind={span.passages[0]!.section.kind} />
        <SoundChoice tones={tones} soundUse={soundUse} onOpen={onOpen} />
        {own && (
          <button
            type="button"
            className="btn btn-sm"
            aria-pressed={isOpen}
            aria-label={`Open the sound “${own.name}” of ${span.label}`}
            onClick={() => onOpen(own.id)}
          >
            Open
          </button>
        )}
        <span className="ml-auto text-sm">
          {before === null ? "set before the song" : describeRest(rest)}
        </span>
      </div>
      <Changes song={song} soundUse={soundUse} before={before} />
      <MovesLine
        soundUse={soundUse}
        moves={moves?.moves ?? []}
        settings={song.settings.get(sound ?? "") ?? PLAIN_SETTINGS}
      />
      <p className="flex flex-wrap items-center gap-x-4 text-sm">
        {(moves?.moves ?? []).map((move, at) => (
          <span key={at}>{tellSoundMove(move, soundUse, song.clock)}</span>
        ))}
        {(moves?.endsEarly ?? 0) > 0 && (
          <span>
            the last chord ends {moves!.endsEarly / song.beatTicks}{" "}
            {moves!.endsEarly === song.beatTicks ? "beat" : "beats"} early
          </span>
        )}
        <button type="button" className="link" aria-expanded={editing} onClick={() => setEditing(!editing)}>
          {editing ? "Done" : `Moves inside ${span.label}`}
        </button>
      </p>
      {editing && <MovesEditor tones={tones} soundUse={soundUse} />}
    </li>
  );
}

/** Which sound is on in a section: its own, the one that goes on, or one that is made now. */
function SoundChoice({
  tones: { song },
  soundUse,
  onOpen,
}: {
  tones: Tones;
  soundUse: SoundUse;
  onOpen: (id: string) => void;
}) {
  const act = useAct();
  const current = useCurrentVersion();
  const { span, named, sound } = soundUse;
  const place = { useId: span.use.id, playerId: song.player.id };
  const from = soundUse.part.cell.sound.from;
  const names = [...new Set([...song.sounds.map(({ name }) => name), ...(named === "" ? [] : [named])])];
  const choose = (value: string) => {
    const body = current();
    const index = derive.cellIndex(body);
    if (value !== NEW) {
      act(nameSound(index, place, value, makeId));
      return;
    }
    const id = makeId();
    const added = addSound(body, song.player.id, { id, name: `Sound for ${span.label}` });
    const { name } = added.row;
    const chosen = nameSound(index, place, name, makeId);
    act(batch("Add a sound", [added, ...singles(chosen)]));
    onOpen(id);
  };
  return (
    <label className="flex items-center gap-2">
      <span className="sr-only">Sound in {span.label}</span>
      <select
        className="select select-sm w-64 max-w-full"
        value={from === "own" ? named : named === "" ? "" : INHERITS}
        onChange={(event) => choose(event.target.value)}
      >
        <option value="">
          {soundUse.named === "" && sound !== null ? `goes on with “${sound}”` : "no sound of its own"}
        </option>
        {from === "first use" && named !== "" && (
          <option value={INHERITS} disabled>
            {named} (as the first time)
          </option>
        )}
        {names.map((name) => (
          <option key={name} value={name}>
            {name}
          </option>
        ))}
        <option value={NEW}>describe a new one…</option>
      </select>
    </label>
  );
}

/** What changes, one line of the ledger after the other; in the first place all that is on. */
function Changes({
  song,
  soundUse,
  before,
}: {
  song: Tones["song"];
  soundUse: SoundUse;
  before: SoundUse | null;
}) {
  const now = song.settings.get(soundUse.sound ?? "");
  if (!now)
    return soundUse.sound === null ? null : (
      <p className="mt-1 text-sm">not described yet: nothing is known of what changes</p>
    );
  const was: Settings | undefined = song.settings.get(before?.sound ?? "");
  if (!was) return <p className="mt-1">{describeSound(now)}</p>;
  const lines = differencesOf(was, now);
  if (lines.length === 0) return <p className="mt-1 text-sm">nothing changes</p>;
  return (
    <ul className="mt-1 flex flex-wrap gap-x-5 gap-y-0.5">
      {lines.map((line) => (
        <li
          key={line.key}
          className="border-b-2 border-primary/70"
          title={`before: ${describeSetting(line.key, line.before)}`}
        >
          {describeLine(line)}
        </li>
      ))}
    </ul>
  );
}
