import type { HeardPart, HeardSong } from "@/core/practice";
import type { PartVoice } from "@/performance/sound";
import { SelectField } from "@/ui/SelectField";
import { usualVoice, voicesFor } from "../hear";
import type { Rehearsal } from "./rehearsal";
import { isHeard, LOUDNESSES, SIDES, type Way, wayOf } from "./settings";

const VOICE_WORDS: Readonly<Record<PartVoice, string>> = {
  steel: "steel strings",
  nylon: "nylon strings",
  clean: "electric, clean",
  driven: "electric, driven",
  muted: "electric, muted",
  finger: "bass, fingers",
  plectrum: "bass, plectrum",
  piano: "piano",
  organ: "organ",
  pad: "pad",
  melody: "a plain voice",
  kit: "drum kit",
  box: "hands on a box",
  click: "click",
};

/** Everybody who sounds in the song: heard or not, alone, how loud, on which side, with which sound. */
export function WhoIsHeard({
  rehearsal,
  song,
  way,
  reader,
}: {
  readonly rehearsal: Rehearsal;
  readonly song: HeardSong;
  readonly way: Way;
  readonly reader: string | null;
}) {
  const me = song.parts.find(({ player }) => player.id === reader)?.player;
  return (
    <section aria-labelledby="who-is-heard" className="w-80 shrink-0 max-lg:w-full">
      <h2 id="who-is-heard" className="mb-1 text-lg">
        Who is heard
      </h2>
      <div className="mb-2 flex flex-wrap gap-2">
        {me && (
          <button
            type="button"
            className="btn btn-sm"
            aria-pressed={rehearsal.isAllBut(me.id)}
            onClick={() => rehearsal.allBut(me.id)}
          >
            All but {me.name} <kbd className="kbd kbd-xs max-sm:hidden">M</kbd>
          </button>
        )}
        <button type="button" className="btn btn-sm" onClick={() => rehearsal.allBut(null)}>
          Everybody <kbd className="kbd kbd-xs max-sm:hidden">0</kbd>
        </button>
      </div>
      <ul>
        {song.parts.map((part, at) => (
          <PartRow key={part.player.id} {...{ rehearsal, song, part, way, at }} />
        ))}
      </ul>
    </section>
  );
}

function PartRow({
  rehearsal,
  song,
  part,
  way,
  at,
}: {
  readonly rehearsal: Rehearsal;
  readonly song: HeardSong;
  readonly part: HeardPart;
  readonly way: Way;
  readonly at: number;
}) {
  const { id, name } = part.player;
  const { alone, loudness, side, voice } = wayOf(way, id);
  const heard = isHeard(way, song.parts, id);
  const usual = usualVoice(part.player);
  const voices = voicesFor(part.player);
  const isSilent = part.strokes.length + part.notes.length + part.drums.length === 0;
  const change = (fields: Parameters<Rehearsal["changePart"]>[1]) => rehearsal.changePart(id, fields);
  return (
    <li className="border-t border-base-300 py-1">
      <div className="flex items-center gap-3">
        <label className="flex min-h-9 flex-1 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={heard}
            onChange={() => change({ on: !heard, alone: false })}
          />
          <span className={heard ? "font-bold" : ""}>{name}</span>
          {at < 9 && (
            <span className="kbd kbd-xs max-sm:hidden" aria-hidden="true">
              {at + 1}
            </span>
          )}
        </label>
        <button
          type="button"
          className={`btn btn-sm ${alone ? "btn-primary" : ""}`}
          aria-label={`Alone: ${name}`}
          aria-pressed={alone}
          onClick={() => change({ alone: !alone, on: true })}
        >
          Alone
        </button>
      </div>
      {isSilent && <p className="text-sm">Has nothing to sound in this song.</p>}
      <details className="text-sm">
        <summary className="cursor-pointer py-0.5">
          {VOICE_WORDS[voice ?? usual]}
          {loudness !== "as played" && `, ${loudness}`}
          {side !== "middle" && `, ${side}`}
        </summary>
        <div className="flex flex-wrap gap-2 pb-2">
          {voices.length > 1 && (
            <SelectField
              label={`Sound of ${name}`}
              className="w-40"
              value={voice ?? usual}
              options={voices.map((one) => ({ value: one, label: VOICE_WORDS[one] }))}
              onSet={(one) => change({ voice: one === usual ? null : one })}
            />
          )}
          <SelectField
            label={`Loudness of ${name}`}
            className="w-32"
            value={loudness}
            options={LOUDNESSES.map((one) => ({ value: one, label: one }))}
            onSet={(one) => change({ loudness: one })}
          />
          <SelectField
            label={`Side of ${name}`}
            className="w-28"
            value={side}
            options={SIDES.map((one) => ({ value: one, label: one }))}
            onSet={(one) => change({ side: one })}
          />
        </div>
      </details>
    </li>
  );
}
