"use client";

import { useState } from "react";
import { boxTaught, type Learned, type Lesson, nextLesson, type Pressed } from "@/core/loops";
import { NO_MIDI } from "../../trainer";
import type { BoxModel } from "./use-box";
import { useToldPresses } from "./use-told-presses";

/** What a lesson asks for, behind "Press the pedal that". */
function tellLesson(lesson: Lesson): string {
  switch (lesson.asks) {
    case "in":
      return `lets track ${lesson.track + 1} in`;
    case "out":
      return `takes track ${lesson.track + 1} out`;
    case "in and out":
      return `lets track ${lesson.track + 1} in and takes it out`;
    case "one more layer":
      return "records one more layer on track 1";
    case "all out":
      return "stops everything";
    case "all in":
      return "lets everything in";
    case "take back":
      return "takes the last layer back";
  }
}

const WAY_WORDS: Readonly<Record<Pressed["way"], string>> = {
  press: "once",
  double: "twice quickly",
  hold: "held",
};

const tellControl = (control: string): string => {
  if (control.startsWith("key ")) return control;
  const [kind, channel, number] = control.split(" ").map(Number);
  const words = { 144: "note", 176: "controller", 192: "program" }[kind!] ?? "control";
  return `MIDI ${words} ${number} on channel ${channel! + 1}`;
};

const tellPressed = (pressed: Pressed | null): string =>
  pressed ? `${tellControl(pressed.control)}, ${WAY_WORDS[pressed.way]}` : "the box has none";

/** The box taught by pressing its pedals, question by question; nothing changes until it is taken. */
export function TeachBox({ model }: { readonly model: BoxModel }) {
  const [learned, setLearned] = useState<readonly Learned[] | null>(null);
  if (learned === null)
    return (
      <p className="mb-3 flex flex-wrap items-center gap-3">
        <button type="button" className="btn" onClick={() => setLearned([])}>
          Teach it by pressing
        </button>
        <span className="text-sm">
          Press each pedal when it is asked for, as you do on the floor. Digits of the keyboard, MIDI pedals
          and the buttons here count as pedals.
        </span>
      </p>
    );
  return <Lessons model={model} learned={learned} onLearned={setLearned} />;
}

function Lessons({
  model,
  learned,
  onLearned,
}: {
  readonly model: BoxModel;
  readonly learned: readonly Learned[];
  readonly onLearned: (learned: readonly Learned[] | null) => void;
}) {
  const { box, change } = model;
  const lesson = nextLesson(box.tracks, learned);
  const answer = (pressed: Pressed | null) => {
    if (lesson) onLearned([...learned, { lesson, pressed }]);
  };
  const presses = useToldPresses(lesson !== null, answer);
  const { fields, twice } = boxTaught(box.tracks, learned, box);
  const last = learned.at(-1);
  return (
    <section className="mb-4 rounded-box border-2 border-base-content p-4" aria-labelledby="teach-title">
      <h3 id="teach-title" className="font-bold">
        {lesson ? "Teaching the box" : "This is the box as you taught it"}
      </h3>
      {lesson ? (
        <>
          <p className="my-2 text-2xl" aria-live="polite">
            Press the pedal that <strong>{tellLesson(lesson)}</strong>.
          </p>
          <div className="flex flex-wrap gap-2">
            {[1, 2, 3, 4, 5, 6].map((key) => (
              <button
                key={key}
                type="button"
                className="btn h-14 min-w-14 touch-none"
                aria-label={`Pedal ${key}`}
                onPointerDown={(event) => presses.down(`key ${key}`, event.timeStamp)}
                onPointerUp={() => presses.up(`key ${key}`)}
                onPointerLeave={() => presses.up(`key ${key}`)}
              >
                {key}
              </button>
            ))}
          </div>
          <p className="mt-2 min-h-6 text-sm">
            {last ? `Before: ${tellLesson(last.lesson)}: ${tellPressed(last.pressed)}.` : ""}
          </p>
        </>
      ) : (
        <Summary learned={learned} />
      )}
      {twice.map(({ control, way }) => (
        <p key={`${control} ${way}`} role="alert" className="text-error">
          {tellControl(control)}, {WAY_WORDS[way]}, was pressed for two things, and can do one: go back and
          press the other one.
        </p>
      ))}
      <div className="mt-3 flex flex-wrap gap-2">
        {lesson ? (
          <button type="button" className="btn btn-sm" onClick={() => answer(null)}>
            The box has none
          </button>
        ) : (
          <button
            type="button"
            className="btn btn-primary btn-sm"
            onClick={() => {
              change(fields);
              onLearned(null);
            }}
          >
            Take it as my box
          </button>
        )}
        <button
          type="button"
          className="btn btn-sm"
          disabled={learned.length === 0}
          onClick={() => onLearned(learned.slice(0, -1))}
        >
          Back one
        </button>
        <button
          type="button"
          className="btn btn-sm"
          disabled={presses.midi.state === "on"}
          onClick={presses.midi.start}
        >
          Use MIDI pedals
        </button>
        <button type="button" className="btn btn-sm" onClick={() => onLearned(null)}>
          Leave the box as it was
        </button>
        <span className="self-center text-sm">
          {presses.midi.state === "on" ? "MIDI pedals are heard." : NO_MIDI[presses.midi.state]}
        </span>
      </div>
    </section>
  );
}

/** What was pressed for each question. */
const Summary = ({ learned }: { readonly learned: readonly Learned[] }) => (
  <dl className="my-2 grid w-fit grid-cols-[auto_1fr] gap-x-4 text-sm">
    {learned.map(({ lesson, pressed }, at) => (
      <div key={at} className="contents">
        <dt>{tellLesson(lesson)}</dt>
        <dd className={pressed ? "font-bold" : ""}>{tellPressed(pressed)}</dd>
      </div>
    ))}
  </dl>
);
