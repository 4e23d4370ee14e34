"use client";

import { exportVersion, placeOf } from "@/api";
import { tellPlace } from "@/core/song/moments";
import { describeMessage, planMessages } from "@/core/sounds";
import { SelectField } from "@/ui/SelectField";
import { useOpenSong } from "../../open";
import { NO_MIDI, type usePedals } from "../../trainer";
import type { ShownTones, Tones } from "../use-sounds";
import type { useMidiOut } from "./use-midi-out";

/** MIDI in and out, only when asked for; and the messages of the plan, as a list and as a file. */
export function MidiPanel({
  tones,
  shown,
  pedals,
  out,
}: {
  tones: Tones;
  shown: ShownTones;
  pedals: ReturnType<typeof usePedals>;
  out: ReturnType<typeof useMidiOut>;
}) {
  const { version } = useOpenSong();
  const { song, plan, presses } = shown;
  const messages = planMessages(song, plan, presses);
  return (
    <section aria-labelledby="midi-title" className="mt-6 mb-6">
      <h2 id="midi-title" className="mb-2">
        MIDI
      </h2>
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <button
          type="button"
          className="btn btn-sm"
          disabled={pedals.midi.state === "on"}
          onClick={pedals.midi.start}
        >
          Use MIDI pedals
        </button>
        <button type="button" className="btn btn-sm" disabled={out.state === "on"} onClick={out.ask}>
          Send to real gear
        </button>
        {out.state === "on" && (
          <SelectField
            label="Messages go to"
            className="w-60"
            value={out.chosen}
            options={out.outputs.map(({ id, name }) => ({ value: id, label: name ?? id }))}
            onSet={(id) => out.choose(id)}
          />
        )}
        <a
          className="btn btn-sm"
          href={placeOf(exportVersion, {
            params: { id: version.id },
            sent: { changes: tones.song.player.id },
          })}
        >
          Save the changes as a MIDI file
        </a>
      </div>
      <p className="text-sm" aria-live="polite">
        {pedals.midi.state === "on" &&
          "MIDI pedals are heard: programs and controllers of this box as its page says, others in the order they are first pressed. "}
        {NO_MIDI[pedals.midi.state]}{" "}
        {out.state === "none" && "Nothing is there to send to, or this browser has no MIDI. "}
        {out.state === "refused" && "The browser did not allow MIDI. "}
        {out.state === "on" && "What is played here is sent as well; turn the gear down first. "}
      </p>
      <details>
        <summary className="cursor-pointer text-sm">{messages.length} messages of the plan</summary>
        <ol className="mt-1 max-h-64 overflow-y-auto text-sm">
          {messages.map(({ tick, bytes }, at) => {
            return (
              <li key={at}>
                {tellPlace(song.clock.momentAt(tick))}: {describeMessage(bytes)}
              </li>
            );
          })}
        </ol>
      </details>
    </section>
  );
}
