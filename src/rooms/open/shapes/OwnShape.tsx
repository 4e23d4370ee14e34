"use client";

import { useId, useState } from "react";
import { describeFretsProblem, type Frets, readFrets } from "@/core/fretboard";
import { judgeOwnShape, type ShapeRequest } from "@/core/parts";
import type { Namer } from "@/core/song/names";
import { keysOf } from "@/core/song/read";
import type { Choice } from "@/core/song/schema";
import { ChordDiagram, writeFrets } from "@/ui/ChordDiagram";
import { NeckInput } from "@/ui/NeckInput";
import { useReady } from "@/ui/use-ready";
import { useRows } from "../open-song";
import { tellOwnShape } from "./tell-own-shape";

type Props = {
  readonly request: ShapeRequest;
  /** The chord as it is read. */
  readonly name: string;
  readonly namer: Namer;
  readonly leftHanded: boolean;
  readonly onTake: (shape: Pick<Choice, "frets" | "fingers">) => void;
};

/** A shape of one's own: typed as frets or pressed on a neck, called by its name, held against the chart, and taken. */
export function OwnShape({ request, name, namer, leftHanded, onTake }: Props) {
  const id = useId();
  const ready = useReady();
  const body = useRows("version");
  const [text, setText] = useState("");
  const strings = namer.strings();
  const read = readFrets(text, request.tuning.length);
  const shape = read.ok ? judgeOwnShape(read.value, request, keysOf(body).sounding) : null;
  const problem = read.ok || text.trim() === "" ? null : describeFretsProblem(read.problem, strings[0]!);
  const take = () => {
    if (!shape) return;
    const fingers = shape.fingering?.fingers ?? shape.frets.map(() => null);
    onTake({ frets: [...shape.frets], fingers: [...fingers] });
    setText("");
  };
  const frets: Frets = read.ok ? read.value : request.tuning.map(() => null);
  return (
    <details className="mt-3">
      <summary className="cursor-pointer font-bold">A shape of your own</summary>
      <div className="mt-2 flex flex-col gap-3">
        <span className="flex flex-col gap-1">
          <label htmlFor={id} className="text-sm">
            A fret for each string, from {strings[0]} on (x for not played)
          </label>
          <input
            id={id}
            className={`input input-sm w-52 font-mono ${problem ? "input-error" : ""}`}
            value={text}
            readOnly={!ready}
            maxLength={60}
            placeholder="x02200"
            autoComplete="off"
            aria-invalid={problem !== null}
            aria-describedby={`${id}-told`}
            onChange={(event) => setText(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === "Enter") take();
            }}
          />
        </span>
        <NeckInput
          frets={frets}
          strings={strings}
          leftHanded={leftHanded}
          onSet={(pressed) => setText(pressed.every((fret) => fret === null) ? "" : writeFrets(pressed))}
        />
        <div id={`${id}-told`} aria-live="polite" className="text-sm">
          {problem && <p className="text-error">{problem}</p>}
          {shape && tellOwnShape(shape, name, namer, request.level).map((line) => <p key={line}>{line}</p>)}
        </div>
        {shape && (
          <div className="flex items-center gap-3">
            <ChordDiagram
              shape={shape.fingering ?? { frets: shape.frets, fingers: shape.frets.map(() => null) }}
              name={name}
              capo={request.capo}
              leftHanded={leftHanded}
              className="h-24"
            />
            <button type="button" className="btn btn-sm" onClick={take}>
              Hold this for {name}
            </button>
          </div>
        )}
      </div>
    </details>
  );
}
