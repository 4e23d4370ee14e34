"use client";

import { Mic, MicOff } from "lucide-react";
import type { Tuning } from "@/core/pitch";
import { useNames } from "../open";
import { type Heard, useMicrophone } from "./use-microphone";

/** Within this it is in tune. */
const CENTS = 4;

/** A tuner for the strings of a tuning, by the microphone. It works for single strings, not for chords. */
export function Tuner({ strings }: { strings: Tuning }) {
  const { state, heard, start, stop } = useMicrophone();
  const isOn = state === "on" || state === "asking";
  return (
    <section aria-label="Tuner" className="mt-6 max-w-2xl rounded-box bg-base-200 p-4">
      <div className="flex flex-wrap items-center gap-4">
        <h2>Tuner</h2>
        <button type="button" className="btn btn-sm" onClick={isOn ? stop : start}>
          {isOn ? <MicOff size={16} aria-hidden="true" /> : <Mic size={16} aria-hidden="true" />}
          {isOn ? "Stop listening" : "Listen with the microphone"}
        </button>
      </div>
      {state === "refused" && (
        <p role="alert" className="mt-2 text-error">
          The browser does not give the microphone. Allow it for this page and try again; the table above has
          every pitch.
        </p>
      )}
      {state === "off" && <p className="mt-2 text-sm">Nothing is recorded or sent anywhere.</p>}
      {isOn && <Reading heard={heard} strings={strings} />}
    </section>
  );
}

/** The string a pitch is nearest to, and how many cents away it is. */
function nearestString(heard: NonNullable<Heard>, strings: Tuning): { string: number; cents: number } {
  const exact = heard.midi + heard.cents / 100;
  const away = strings.map((midi) => Math.abs(exact - midi));
  const string = away.indexOf(Math.min(...away));
  return { string, cents: Math.round((exact - strings[string]!) * 100) };
}

function Reading({ heard, strings }: { heard: Heard; strings: Tuning }) {
  const namer = useNames()();
  if (!heard) return <p className="mt-3 h-24">Pluck one string and let it ring.</p>;
  const { string, cents } = nearestString(heard, strings);
  const name = namer.strings(strings)[string]!;
  const words =
    Math.abs(cents) <= CENTS ? "in tune" : cents < 0 ? "too low: turn it up" : "too high: turn it down";
  const at = 50 + Math.max(-48, Math.min(48, cents / 2));
  return (
    <div className="mt-3 h-24" aria-live="polite">
      <p>
        <strong className="text-2xl">{name}</strong>{" "}
        <span className="font-mono">{namer.soundingPitch(strings[string]!)}</span>: {words}
        {Math.abs(cents) > CENTS && ` (${Math.abs(cents)} cents)`}
      </p>
      <div aria-hidden="true" className="relative mt-3 h-8">
        <span className="absolute inset-x-0 top-1/2 border-t-2 border-current" />
        <span className="absolute top-0 bottom-0 left-1/2 border-l-4 border-current" />
        <span
          className="absolute top-1 size-6 -translate-x-1/2 rounded-full border-2 border-current bg-primary transition-[left] duration-100"
          style={{ left: `${at}%` }}
        />
      </div>
    </div>
  );
}
