"use client";

import { addUp, HEADROOM, levelForLayers } from "@/core/loops";
import type { Loops } from "../use-loops";
import { useMeter } from "./use-meter";

const describeDb = (level: number): string =>
  Number.isFinite(level) ? `${level.toFixed(1)} dBFS` : "silence";

/** How loud layers get together, in what order levels are set, and a meter of the input. */
export function Levels({ loops }: { loops: Loops }) {
  const { shown, song } = loops;
  const states = (shown?.plan.states ?? []).map((tracks) =>
    tracks.flatMap((track) =>
      shown!.plan.tracks[track]!.flatMap((id) => song.layers.find((layer) => layer.id === id) ?? []),
    ),
  );
  const most = states.reduce((a, b) => (b.length > a.length ? b : a), []);
  const heard = most.length > 0 ? most : song.layers;
  const { worst, likely } = addUp(heard.map(({ level }) => level));
  const ask = levelForLayers(Math.max(1, heard.length), -HEADROOM);
  const loudFirst = song.layers.toSorted((a, b) => b.level - a.level);
  return (
    <section aria-labelledby="levels-title" className="mb-8">
      <h2 id="levels-title" className="mb-1">
        Levels
      </h2>
      {heard.length > 0 ? (
        <>
          <p className="max-w-3xl">
            At most {heard.length} {heard.length === 1 ? "layer sounds" : "layers sound"} together:{" "}
            {heard.map(({ name }) => name).join(", ")}. All peaks at one moment make{" "}
            <strong>{describeDb(worst)}</strong>, likely {describeDb(likely)}.{" "}
            {worst > 0
              ? "That is over full scale: it can clip. Record layers quieter."
              : worst > -HEADROOM
                ? `That leaves ${(-worst).toFixed(1)} dB; ${HEADROOM} dB is usual.`
                : `That leaves ${(-worst).toFixed(1)} dB of room.`}
          </p>
          <p className="mt-1 text-sm">
            With {heard.length} equal {heard.length === 1 ? "layer" : "layers"}, peaks of {describeDb(ask)}{" "}
            each keep {HEADROOM} dB free whatever happens.
          </p>
          <ol className="mt-2 list-decimal pl-6 text-sm">
            <li>
              Set the input: play as loud as you ever will, and turn it up until the highest peak is just
              below what you ask.
            </li>
            {loudFirst.map(({ id, name, level }) => (
              <li key={id}>
                Record {name} with peaks near {level} dBFS
                {id === loudFirst[0]!.id ? ", the loudest, first" : ""}.
              </li>
            ))}
            <li>
              Let all of them sound together, then set the voice over them, and only then the loudspeakers.
            </li>
          </ol>
        </>
      ) : (
        <p className="text-sm">Add layers, and it is told here how loud they get together.</p>
      )}
      <InputMeter />
      <p className="mt-2 max-w-3xl text-sm">
        Mind your ears: 85 dBA is taken as safe for 8 hours, and each 3 dB more halves the time (NIOSH
        98-126). Start quietly in headphones, and keep to the local rules on sound.
      </p>
    </section>
  );
}

/** A meter of the input, by the microphone. */
function InputMeter() {
  const meter = useMeter();
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      {meter.state === "on" ? (
        <button type="button" className="btn btn-sm" onClick={meter.stop}>
          Turn the meter off
        </button>
      ) : (
        <button
          type="button"
          className="btn btn-sm"
          disabled={meter.state === "asking"}
          onClick={meter.start}
        >
          Check the input with the microphone
        </button>
      )}
      {meter.state === "on" && (
        <>
          <meter
            className="h-4 w-56"
            min={-60}
            max={0}
            high={-HEADROOM}
            value={Number.isFinite(meter.peak) ? meter.peak : -60}
            aria-label="Level of the input, dBFS"
          />
          <span>
            now {describeDb(meter.peak)}, highest {describeDb(meter.highest)}
            {meter.highest > -0.1 && ": it clips, turn it down"}
          </span>
        </>
      )}
      {meter.state === "refused" && (
        <span>The browser gives no microphone here. Use the meter of the box itself.</span>
      )}
    </div>
  );
}
