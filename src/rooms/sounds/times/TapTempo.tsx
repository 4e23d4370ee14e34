"use client";

import { useState } from "react";
import { describeNote, MOST_BPM } from "@/core/rhythm";
import { set } from "@/core/song/edit";
import { versionRow } from "@/core/song/read";
import { DELAY_NOTES, delayMs, tappedMs, tempoOfDelay } from "@/core/sounds";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { useAct } from "../../open";
import type { Tones } from "../use-sounds";

/** From tempo to ms and back: a time that was read off a box, or tapped, tells the tempo. */
export function TapTempo({ tones }: { tones: Tones }) {
  const act = useAct();
  const { id, bpm, beatUnit } = versionRow(tones.body);
  const [note, setNote] = useState("1/8.");
  const [ms, setMs] = useState<number | null>(null);
  const [taps, setTaps] = useState<readonly number[]>([]);
  const shown = ms ?? delayMs(bpm, beatUnit, note);
  const tempo = tempoOfDelay(shown, beatUnit, note);
  const tapped = tappedMs(taps);
  const tappedTempo = tapped === null ? null : 60_000 / tapped;
  const fits = (value: number) => value >= 1 && value <= MOST_BPM;
  const take = (value: number) =>
    act(set("version", id, { bpm: Math.min(MOST_BPM, Math.max(1, Math.round(value * 10) / 10)) }));
  return (
    <section aria-labelledby="tap-title" className="mb-8">
      <h2 id="tap-title" className="mb-1">
        From a time to the tempo
      </h2>
      <div className="flex flex-wrap items-end gap-4">
        <SelectField
          label="A"
          className="w-40"
          value={note}
          options={DELAY_NOTES.map((one) => ({ value: one, label: describeNote(one) }))}
          onSet={setNote}
        />
        <NumberField
          label="of"
          unit="ms"
          value={Math.round(shown * 10) / 10}
          least={20}
          most={10_000}
          whole={false}
          onSet={setMs}
        />
        <p className="pb-1" aria-live="polite">
          is <strong>{tempo.toFixed(1)}</strong> a minute
        </p>
        {fits(tempo) && Math.abs(tempo - bpm) > 0.05 && (
          <button type="button" className="btn btn-sm" onClick={() => take(tempo)}>
            Play the song at that
          </button>
        )}
        <button
          type="button"
          className="btn btn-sm"
          onClick={(event) => setTaps([...taps.slice(-12), event.timeStamp])}
        >
          Tap the beat
        </button>
        <p className="pb-1" aria-live="polite">
          {tappedTempo === null ? (
            taps.length === 1 && "once more"
          ) : (
            <>
              tapped <strong>{tappedTempo.toFixed(1)}</strong> a minute: a {describeNote(note)} of{" "}
              <strong>{Math.round(delayMs(tappedTempo, beatUnit, note))} ms</strong>
            </>
          )}
        </p>
        {tappedTempo !== null && fits(tappedTempo) && (
          <button type="button" className="btn btn-sm" onClick={() => take(tappedTempo)}>
            Play the song at what was tapped
          </button>
        )}
      </div>
    </section>
  );
}
