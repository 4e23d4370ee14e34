"use client";

import { useState } from "react";
import { changeKey, hasCapo } from "@/core/song/edit";
import {
  describeKeyFit,
  type KeyFit,
  keyFits,
  keysOf,
  melodyShift,
  type PitchRange,
  type SungPlace,
} from "@/core/song/read";
import { describeKey } from "@/ui/pretty";
import { useAct, useCurrentVersion, useNames, useRows } from "../open";

const SHOWN = 5;
const VERDICTS: Readonly<Record<KeyFit["verdict"], string>> = {
  fits: "fits",
  octave: "fits, partly lower",
  out: "out of reach",
};

/** The keys for this voice, best first, with the reason. */
export function VoiceKeys({ singer, places }: { singer: PitchRange; places: readonly SungPlace[] }) {
  const body = useRows("version");
  const act = useAct();
  const current = useCurrentVersion();
  const [all, setAll] = useState(false);
  const namer = useNames()();
  const { written, sounding } = keysOf(body);
  const fits = keyFits(places, singer, written);
  const isNow = (fit: KeyFit) => fit.semitones === melodyShift(written, sounding);
  const shown = all ? fits : fits.filter((fit, index) => index < SHOWN || isNow(fit) || fit.isWritten);
  return (
    <div>
      <h3 id="voice-keys" className="font-bold">
        Keys for this voice
      </h3>
      <ul aria-labelledby="voice-keys">
        {shown.map((fit) => (
          <li
            key={fit.key}
            className={`flex flex-wrap items-center gap-x-4 gap-y-1 border-base-300 border-b px-2 py-2 ${isNow(fit) ? "bg-base-300" : ""}`}
          >
            <strong className="w-28">{describeKey(namer.keyNamed(fit.key))}</strong>
            <span className="min-w-60 flex-1">
              <span className="font-bold">{VERDICTS[fit.verdict]}</span>
              {fit.isWritten && ", the key it is written in"};{" "}
              {describeKeyFit(fit, (midi, key) => namer.soundingPitch(midi, key))}
            </span>
            <button
              type="button"
              className="btn btn-xs"
              disabled={isNow(fit)}
              onClick={() => act(changeKey(current(), fit.key, hasCapo))}
            >
              {isNow(fit) ? "Played in it" : `Play it in ${namer.keyNamed(fit.key)}`}
            </button>
          </li>
        ))}
      </ul>
      {fits.length > shown.length || all ? (
        <button type="button" className="link mt-2 text-sm" onClick={() => setAll(!all)}>
          {all ? "Show fewer keys" : `Show all ${fits.length} keys`}
        </button>
      ) : null}
    </div>
  );
}
