"use client";

import { call, startBand } from "@/api";
import { LAYER_SOUNDS, type LayerSound } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";
import { makeId, useActOnBand, useBand } from "../../open";
import { SOUND_WORDS } from "../loop-words";

/** What this band always does, in every song: a sound on its track. */
export function Habits({ tracks }: { tracks: number }) {
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
