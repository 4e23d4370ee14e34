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
  readonly score: () => SoundScore | null | Promise<SoundScore | null>;
  /** Whether the key of its section hears it: of several in one section one has it at most. */
  readonly isKeyed?: boolean;
  readonly className?: string;
  /** Somebody comes near the button: what takes time can be begun. */
  readonly onNear?: () => void;
};

/** Lets something be heard; pressed again, or by the same key in its section, it stops. One thing sounds at a time. */
export function HearThis({ what, score, isKeyed = true, className = "btn-sm", onNear }: Props) {
  const id = useId();
  const button = useRef<HTMLButtonElement>(null);
  const { playing, problem } = useStore(hearing);
  const toggle = () => void hear(id, score);
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    // A key that something nearer has acted on is not for this.
    if (event.defaultPrevented || keyAct("hear", event) === null || isTyping(event.target)) return;
    event.preventDefault();
    toggle();
  });
  useEffect(() => {
    const section = isKeyed ? button.current?.closest("section") : null;
    const listen = (event: KeyboardEvent) => onKey(event);
    section?.addEventListener("keydown", listen);
    return () => {
      section?.removeEventListener("keydown", listen);
      if (hearing.getState().playing === id) hush();
    };
  }, [id, isKeyed]);
  const isPlaying = playing === id;
  return (
    <span className="inline-flex flex-wrap items-center gap-2">
      <button
        ref={button}
        type="button"
        className={`btn ${className}`}
        aria-pressed={isPlaying}
        title="It begins softly. Turn headphones down first: ears don’t heal."
        onPointerEnter={onNear}
        onFocus={onNear}
        onClick={toggle}
      >
        {isPlaying ? "Stop" : "Hear it"}
        <span className="sr-only">: {what}</span>
        {isKeyed && (
          <span className="kbd kbd-xs" aria-hidden="true">
            P
          </span>
        )}
      </button>
      {problem?.by === id && (
        <span role="status" className="text-sm">
          {problem.text}
        </span>
      )}
    </span>
  );
}
