import { useEffect, useRef } from "react";
import type { StageRole } from "@/api";
import type { StagePerson } from "@/core/stage";
import { SHEET_WORDS } from "@/ui/pretty";
import type { Lit } from "../keep-lit";
import { WHEN_WORDS } from "./act-words";
import { GATES, SIZES, type StageSettings } from "./settings";

const LIT_WORDS: Readonly<Record<Lit, string>> = {
  lock: "The screen stays lit.",
  film: "The screen stays lit by a silent film in its corner.",
  none: "The screen may go dark by itself: touch it once.",
};

/** How the stage looks on this device, and who it is for. */
export function ThisScreen({
  settings,
  change,
  people,
  person,
  role,
  isOwn,
  rehearse,
  lit,
  within,
  onChoose,
  onClose,
}: {
  settings: StageSettings;
  change: (fields: Partial<StageSettings>) => void;
  people: readonly StagePerson[];
  person: string | null;
  role: StageRole;
  /** Whether it is a song's own stage, which this screen leads. */
  isOwn: boolean;
  /** Where its songs are heard and practised. */
  rehearse: string;
  lit: Lit;
  within: number | null;
  onChoose: (person: string) => void;
  onClose: () => void;
}) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  return (
    <dialog
      ref={dialog}
      aria-label="This screen"
      className="m-auto w-[34rem] max-w-[94vw] rounded-box border-2 border-base-content/50 bg-base-200 p-5 text-lg text-base-content backdrop:bg-black/60"
      onClose={onClose}
    >
      <div className="mb-4 flex items-center">
        <h2 className="mr-auto text-2xl">This screen</h2>
        <button type="button" className="btn" onClick={() => dialog.current?.close()}>
          Done
        </button>
      </div>
      <div className="flex flex-col gap-4">
        <Looks settings={settings} change={change} />
        <Names settings={settings} change={change} />
        {isOwn ? (
          <p>This stage is this screen’s own: nobody follows it. A band is led from an evening.</p>
        ) : role === "leader" ? (
          <Leading settings={settings} change={change} />
        ) : (
          <p>
            This screen follows.{" "}
            <a className="link" href="/join">
              Give the leader’s passphrase
            </a>{" "}
            to lead on it.
          </p>
        )}
        <Choice
          label="Foot"
          value={String(settings.gate)}
          options={Object.fromEntries(GATES.map((ms, at) => [String(at), `${ms} ms`]))}
          onSet={(gate) => change({ gate: Number(gate) })}
        />
        <p className="text-base">Presses nearer to each other than this count once.</p>
        {(isOwn || (role === "leader" && settings.leads && settings.pedals)) && (
          <p className="text-base">
            While the clock runs, On brings the next section {WHEN_WORDS[settings.when]}; once more before
            then takes it back, and held long it takes the last move back.
          </p>
        )}
        <label className="flex items-center gap-2">
          <span className="w-28">Part of</span>
          <select
            className="select w-56 text-lg"
            value={person ?? ""}
            onChange={(event) => onChoose(event.target.value)}
          >
            {people.map((one) => (
              <option key={one.person} value={one.person}>
                {[one.name, one.instrument].filter((part) => part !== "").join(", ")}
              </option>
            ))}
          </select>
        </label>
        <p>
          <a className="link" href={rehearse}>
            {isOwn ? "Rehearse this song" : "Rehearse the songs"}
          </a>
          , slowly, to the sound of the band.
        </p>
        <FullScreen />
        <KeysHere isLeading={isOwn || (role === "leader" && settings.leads)} />
        <p className="text-base">
          {LIT_WORDS[lit]} {!isOwn && describeClock(within)} A loud stage harms ears sooner than one thinks: a
          song’s Sounds room tells how long is safe.
        </p>
      </div>
    </dialog>
  );
}

const describeClock = (within: number | null): string =>
  within === null
    ? "The clock is not measured yet."
    : `The clock is right to ${within < 1 ? "a millisecond" : `${Math.ceil(within)} ms`}.`;

type SettingsProps = { settings: StageSettings; change: (fields: Partial<StageSettings>) => void };

function Looks({ settings, change }: SettingsProps) {
  return (
    <>
      <Choice
        label="Show"
        value={settings.density}
        options={{ all: "words and chords", chords: "chords", cues: "cues only" }}
        onSet={(density) => change({ density })}
      />
      <Choice
        label="Sheet"
        value={settings.view}
        options={{ "": "as meant for me", ...SHEET_WORDS }}
        onSet={(view) => change({ view })}
      />
      <Choice
        label="Over tab"
        value={settings.counts ? "counts" : "chords"}
        options={{ chords: "chords", counts: "chords and counts" }}
        onSet={(over) => change({ counts: over === "counts" })}
      />
      <div className="flex items-center gap-2">
        <span className="w-28">Letters</span>
        <button
          type="button"
          className="btn"
          aria-label="Smaller"
          disabled={settings.size === 0}
          onClick={() => change({ size: settings.size - 1 })}
        >
          smaller
        </button>
        <span className="w-16 text-center">{Math.round(SIZES[settings.size]! * 100)} %</span>
        <button
          type="button"
          className="btn"
          aria-label="Larger"
          disabled={settings.size === SIZES.length - 1}
          onClick={() => change({ size: settings.size + 1 })}
        >
          larger
        </button>
      </div>
      <Choice
        label="Ground"
        value={settings.light ? "light" : "dark"}
        options={{ dark: "dark", light: "light" }}
        onSet={(ground) => change({ light: ground === "light" })}
      />
      <Choice
        label="Buttons"
        value={settings.hand}
        options={{ right: "for the right hand", left: "for the left hand" }}
        onSet={(hand) => change({ hand })}
      />
      <Choice
        label="Click"
        value={settings.click ? "on" : "off"}
        options={{ off: "silent", on: "a tick on every beat" }}
        onSet={(click) => change({ click: click === "on" })}
      />
    </>
  );
}

/** How names are told on this device. */
function Names({ settings, change }: SettingsProps) {
  return (
    <>
      <Choice
        label="Chords"
        value={settings.shows}
        options={{ "": "as they read", sounding: "as they sound", shapes: "shapes", degrees: "degrees" }}
        onSet={(shows) => change({ shows })}
      />
      <Choice
        label="Written"
        value={settings.writing}
        options={{ "": "as they write", letters: "C D E", german: "with H", syllables: "Do Ré Mi" }}
        onSet={(writing) => change({ writing })}
      />
      <Choice
        label="Black keys"
        value={settings.accidentals}
        options={{ "": "as they read", key: "by key", sharps: "♯", flats: "♭" }}
        onSet={(accidentals) => change({ accidentals })}
      />
      <Choice
        label="Lines"
        value={settings.lines}
        options={{ "": "as they read", tab: "tab", notes: "notes", both: "tab and notes" }}
        onSet={(lines) => change({ lines })}
      />
    </>
  );
}

function Leading({ settings, change }: SettingsProps) {
  return (
    <>
      <Choice
        label="Lead"
        value={settings.leads ? "on" : "off"}
        options={{ off: "this screen follows", on: "this screen leads" }}
        onSet={(leads) => change({ leads: leads === "on" })}
      />
      {settings.leads && (
        <Choice
          label="Pedals"
          value={settings.pedals ? "all" : "own"}
          options={{ all: "turn everybody’s page", own: "turn this page only" }}
          onSet={(pedals) => change({ pedals: pedals === "all" })}
        />
      )}
    </>
  );
}

function KeysHere({ isLeading }: { isLeading: boolean }) {
  return (
    <p className="text-base">
      Keys: <kbd>→</kbd>, <kbd>Space</kbd> or <kbd>PageDown</kbd> on, <kbd>←</kbd> or <kbd>PageUp</kbd> back,{" "}
      <kbd>?</kbd> this page.
      {isLeading && (
        <>
          {" "}
          To lead: <kbd>C</kbd> count in, <kbd>H</kbd> hold, <kbd>G</kbd> go on, <kbd>M</kbd> once more,{" "}
          <kbd>R</kbd> round and round, <kbd>L</kbd> leave out the next, <kbd>W</kbd> as written after all,{" "}
          <kbd>S</kbd> stop, <kbd>U</kbd> take back, <kbd>N</kbd> next song, <kbd>D</kbd> mark the bar as a
          danger spot.
        </>
      )}
    </p>
  );
}

function FullScreen() {
  const toggle = () => {
    if (document.fullscreenElement) void document.exitFullscreen();
    else void document.documentElement.requestFullscreen?.().catch(() => {});
  };
  return (
    <div className="flex items-center gap-2">
      <span className="w-28 whitespace-nowrap">Whole screen</span>
      <button type="button" className="btn" onClick={toggle}>
        with nothing around, or back
      </button>
    </div>
  );
}

function Choice<Value extends string>({
  label,
  value,
  options,
  onSet,
}: {
  label: string;
  value: Value;
  options: Readonly<Record<Value, string>>;
  onSet: (value: Value) => void;
}) {
  return (
    <fieldset aria-label={label} className="flex gap-2">
      <span className="w-28 shrink-0 pt-2 max-sm:w-20" aria-hidden="true">
        {label}
      </span>
      <span className="flex flex-wrap gap-2">
        {(Object.entries(options) as [Value, string][]).map(([option, words]) => (
          <button
            key={option}
            type="button"
            className="btn"
            aria-pressed={option === value}
            onClick={() => onSet(option)}
          >
            {words}
          </button>
        ))}
      </span>
    </fieldset>
  );
}
