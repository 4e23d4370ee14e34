"use client";

import { call, startBand } from "@/api";
import { BOX_PROFILES, looperPlayer, setBox } from "@/core/loops";
import { LAYER_SOUNDS, type LayerSound, type LoopBox, MOST_BOX_TRACKS } from "@/core/song/schema";
import { byOrder } from "@/document";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Tick";
import { makeId, useAct, useActOnBand, useBand, useCurrentVersion, useRows } from "../../open";
import { LoopsTabs } from "../LoopsTabs";
import { Notes } from "../Notes";
import { useLoops } from "../use-loops";
import { SOUND_WORDS } from "../words";
import { Levels } from "./Levels";

/** What a pedal can do, in words. */
function pedalActs(tracks: number, box: LoopBox): { value: string; label: string }[] {
  const each = Array.from({ length: tracks }, (_, track) => track);
  return [
    { value: "none", label: "nothing" },
    ...each.map((track) => ({ value: `track-${track}`, label: `track ${track + 1} in or out` })),
    ...each.map((track) => ({ value: `overdub-${track}`, label: `one more layer on track ${track + 1}` })),
    ...(box.allStart ? [{ value: "start-all", label: "all in" }] : []),
    ...(box.allStop ? [{ value: "stop-all", label: "all out" }] : []),
    ...(box.undoLast ? [{ value: "undo", label: "take the last layer back" }] : []),
  ];
}

/** The box on the floor: what it can do, what its pedals do, what this band always does, and the levels. */
export function BoxPage() {
  const loops = useLoops();
  const body = useRows("players", "loopBoxes");
  const act = useAct();
  const current = useCurrentVersion();
  const { box } = loops.song;
  const change = (fields: Partial<Omit<LoopBox, "id">>) => act(setBox(current(), fields, makeId));
  const acts = pedalActs(box.tracks, box);
  const setPedal = (at: number, fields: Partial<LoopBox["pedals"][number]>) =>
    change({ pedals: box.pedals.map((pedal, index) => (index === at ? { ...pedal, ...fields } : pedal)) });
  const known = (value: string) => (acts.some((one) => one.value === value) ? value : "none");
  return (
    <>
      <h1 className="mb-1">Loops</h1>
      <LoopsTabs />
      <Notes loops={loops} />
      <section aria-labelledby="box-title" className="mb-8">
        <h2 id="box-title" className="mb-2">
          The box
        </h2>
        <div className="mb-3 flex flex-wrap items-end gap-3">
          <SelectField
            label="Start from"
            className="w-72"
            value=""
            options={[
              { value: "", label: "choose a kind of box" },
              ...BOX_PROFILES.map(({ name }) => ({ value: name, label: name })),
            ]}
            onSet={(name) => {
              const profile = BOX_PROFILES.find((one) => one.name === name);
              if (!profile) return;
              const { school, startFrom, listen } = box;
              change({ ...profile, pedals: [...profile.pedals], school, startFrom, listen });
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
          <NumberField
            label="Tracks"
            value={box.tracks}
            least={1}
            most={MOST_BOX_TRACKS}
            onSet={(tracks) => change({ tracks })}
          />
          <SelectField
            label="Whose feet"
            value={looperPlayer(body)?.id ?? ""}
            options={[
              ...(Object.keys(body.players).length === 0 ? [{ value: "", label: "nobody plays yet" }] : []),
              ...Object.values(body.players)
                .sort(byOrder)
                .map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onSet={(playerId) => change({ playerId: playerId || null })}
          />
        </div>
        <div className="grid gap-x-6 sm:grid-cols-2 lg:grid-cols-3">
          <Tick
            label="A pedal lets all tracks in"
            on={box.allStart}
            onSet={(allStart) => change({ allStart })}
          />
          <Tick
            label="A pedal takes all tracks out"
            on={box.allStop}
            onSet={(allStop) => change({ allStop })}
          />
          <Tick
            label="Waits for the loop point"
            on={box.quantised}
            onSet={(quantised) => change({ quantised })}
          />
          <Tick
            label="One length for all tracks"
            on={box.sharedLength}
            onSet={(sharedLength) => change({ sharedLength })}
          />
          <Tick
            label="Can take the last layer back"
            on={box.undoLast}
            onSet={(undoLast) => change({ undoLast })}
          />
        </div>
        <h3 className="mt-3 mb-1 font-bold">Pedals</h3>
        <div className="overflow-x-auto">
          <table className="table table-sm w-auto">
            <thead>
              <tr className="text-base-content">
                <th scope="col">Pedal</th>
                <th scope="col">A press</th>
                <th scope="col">Two quick presses</th>
                <th scope="col">Held</th>
                <th scope="col">
                  <span className="sr-only">Remove</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {box.pedals.map((pedal, at) => (
                <tr key={at}>
                  <th scope="row">
                    <TextField
                      label={`Name of pedal ${at + 1}`}
                      hideLabel
                      value={pedal.name}
                      required
                      longest={30}
                      onSet={(name) => setPedal(at, { name })}
                    />
                  </th>
                  {(["press", "double", "hold"] as const).map((way) => (
                    <td key={way}>
                      <SelectField
                        label={`${pedal.name}: ${way}`}
                        hideLabel
                        className="w-56"
                        value={known(pedal[way])}
                        options={acts}
                        onSet={(value) => setPedal(at, { [way]: value })}
                      />
                    </td>
                  ))}
                  <td>
                    <button
                      type="button"
                      className="btn btn-sm"
                      disabled={box.pedals.length === 1}
                      onClick={() => change({ pedals: box.pedals.filter((_, index) => index !== at) })}
                    >
                      Remove
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <button
          type="button"
          className="btn btn-sm mt-2"
          disabled={box.pedals.length >= 16}
          onClick={() =>
            change({
              pedals: [
                ...box.pedals,
                { name: `Pedal ${box.pedals.length + 1}`, press: "none", double: "none", hold: "none" },
              ],
            })
          }
        >
          Add a pedal
        </button>
        <p className="mt-2 max-w-3xl text-sm">
          Put the box where both feet reach it without leaning off balance, and tape down cables where people
          walk.
        </p>
      </section>
      <Habits tracks={box.tracks} />
      <Levels loops={loops} />
    </>
  );
}

/** What this band always does, in every song: a sound on its track. */
function Habits({ tracks }: { tracks: number }) {
  const band = useBand();
  const act = useActOnBand();
  if (!band)
    return (
      <section aria-labelledby="habits-title" className="mb-8">
        <h2 id="habits-title">Habits</h2>
        <p className="mb-2 text-sm">
          A sound that always goes on one track, in every song. Habits are kept with a band, and there is none
          yet.
        </p>
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            void call(startBand).then((answer) => {
              if (answer.ok || answer.status === 409) location.reload();
            })
          }
        >
          Start a band
        </button>
      </section>
    );
  const habits = Object.values(band.loopHabits);
  const free = LAYER_SOUNDS.filter((plays) => !habits.some((habit) => habit.plays === plays));
  const onTrack = (track: number) => ({ value: String(track), label: `track ${track + 1}` });
  return (
    <section aria-labelledby="habits-title" className="mb-8">
      <h2 id="habits-title">Habits</h2>
      <p className="mb-2 max-w-3xl text-sm">
        Kept with the band, for all songs: a sound that always goes on one track. A track said in a song comes
        before.
      </p>
      <ul className="flex flex-col gap-1">
        {habits.map((habit) => (
          <li key={habit.id} className="flex flex-wrap items-center gap-2">
            <span className="w-64">{SOUND_WORDS[habit.plays]} always on</span>
            <SelectField
              label={`Track of ${SOUND_WORDS[habit.plays]}`}
              hideLabel
              value={String(habit.track)}
              options={Array.from({ length: Math.max(tracks, habit.track + 1) }, (_, track) =>
                onTrack(track),
              )}
              onSet={(track) =>
                act({ type: "set", table: "loopHabits", id: habit.id, fields: { track: Number(track) } })
              }
            />
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => act({ type: "remove", table: "loopHabits", id: habit.id })}
            >
              Give it up
            </button>
          </li>
        ))}
      </ul>
      {free.length > 0 && (
        <label className="mt-2 flex items-center gap-2 text-sm">
          Always put
          <select
            className="select select-sm w-48"
            value=""
            onChange={(event) => {
              const plays = event.target.value as LayerSound;
              if (event.target.value !== "")
                act({ type: "add", table: "loopHabits", row: { id: makeId(), plays, track: 0 } });
            }}
          >
            <option value="">choose a sound</option>
            {free.map((plays) => (
              <option key={plays} value={plays}>
                {SOUND_WORDS[plays]}
              </option>
            ))}
          </select>
        </label>
      )}
    </section>
  );
}
