"use client";

import { useEffect, useEffectEvent, useId, useRef } from "react";
import { useStore } from "zustand";
import type { SoundScore } from "@/performance/sound";
import { isTyping } from "@/ui/is-typing";
import { keyAct } from "@/ui/keys";
import { hear, hearing, hush } from "./hearing";

type Props = {
  /** What is heard: "G", "Verse 1". */
  readonly what: string;
  readonly score: () => SoundScore;
};

/** Lets something be heard; pressed again, or by the same key in its section, it stops. One thing sounds at a time. */
export function HearThis({ what, score }: Props) {
  const id = useId();
  const button = useRef<HTMLButtonElement>(null);
  const { playing, problem } = useStore(hearing);
  const toggle = () => void hear(id, score());
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (keyAct("hear", event) === null || isTyping(event.target)) return;
    event.preventDefault();
    toggle();
  });
  useEffect(() => {
    const section = button.current?.closest("section");
    const listen = (event: KeyboardEvent) => onKey(event);
    section?.addEventListener("keydown", listen);
    return () => {
      section?.removeEventListener("keydown", listen);
      if (hearing.getState().playing === id) hush();
    };
  }, [id]);
  const isPlaying = playing === id;
  return (
    <span className="inline-flex flex-wrap items-center gap-2">
      <button
        ref={button}
        type="button"
        className="btn btn-sm"
        aria-pressed={isPlaying}
        title="It begins softly. Turn headphones down first: ears don’t heal."
        onClick={toggle}
      >
        {isPlaying ? "Stop" : "Hear it"}
        <span className="sr-only">: {what}</span>
        <span className="kbd kbd-xs" aria-hidden="true">
          P
        </span>
      </button>
      {problem?.by === id && (
        <span role="status" className="text-sm">
          {problem.text}
        </span>
      )}
    </span>
  );
}
