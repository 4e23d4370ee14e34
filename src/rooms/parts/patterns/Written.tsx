"use client";

import { useState } from "react";

type Read = { readonly text?: string; readonly problem: string | null };

/** A text that stands for strokes; what it makes is shown before it is taken. */
export function Written({
  label,
  hint,
  read,
  onSet,
}: {
  label: string;
  hint: string;
  read: (text: string) => Read;
  onSet: (strokes: string) => void;
}) {
  const [text, setText] = useState("");
  const found = text.trim() === "" ? null : read(text);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (found?.text && !found.problem) onSet(found.text);
      }}
    >
      <label className="flex flex-col gap-1 text-sm">
        {label}
        <input
          className="input input-sm w-full"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <p className="mt-1 text-sm">{hint}</p>
      {found?.problem && (
        <p role="alert" className="text-sm text-error">
          {found.problem}
        </p>
      )}
      <p className="mt-1 flex flex-wrap items-center gap-3">
        <button type="submit" className="btn btn-sm" disabled={!found?.text || found.problem !== null}>
          Take these strokes
        </button>
        {found?.text && <span className="font-mono">{found.text}</span>}
      </p>
    </form>
  );
}
