"use client";

import { useEffect, useRef, useState } from "react";

/** A field's text while it is worked at, and what is wrong with it. */
export type Typed = {
  readonly text: string;
  /** What is wrong, in a sentence; "" where nothing is. */
  readonly problem: string;
  readonly type: (text: string) => void;
  readonly refuse: (problem: string) => void;
  /** What was typed is set: the field goes with its value again. */
  readonly stand: (as?: string) => void;
  /** The field is left, finished or not: another value may come into it. */
  readonly leave: () => void;
  /** Back to what stands. */
  readonly back: () => void;
};

/**
 * The text of a field that follows a value from elsewhere, but never while something else is being typed into it: a value
 * that was set a moment ago and comes back late does not take away the next words.
 */
export function useTyped(value: string): Typed {
  const [text, setText] = useState(value);
  const [problem, setProblem] = useState("");
  /** What the field stood at before it was typed into. */
  const stood = useRef(value);
  const isTyping = useRef(false);
  const settle = (as: string) => {
    isTyping.current = false;
    stood.current = as;
    setText(as);
    setProblem("");
  };
  useEffect(() => {
    if (isTyping.current) return;
    stood.current = value;
    setText(value);
    setProblem("");
  }, [value]);
  return {
    text,
    problem,
    type: (next) => {
      isTyping.current = next !== stood.current;
      setText(next);
    },
    refuse: setProblem,
    stand: (as = text) => settle(as),
    leave: () => {
      isTyping.current = false;
    },
    back: () => settle(value),
  };
}
