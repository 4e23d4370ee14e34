"use client";

import { useId } from "react";
import { useReady } from "./use-ready";
import { useTyped } from "./use-typed";

type Props = {
  readonly label: string;
  readonly value: string;
  readonly hideLabel?: boolean;
  readonly className?: string;
  readonly required?: boolean;
  readonly longest?: number;
  /** What is offered while typing. */
  readonly offered?: readonly string[];
  /** Whether it is empty again once it is set: for what is said and done. */
  readonly clears?: boolean;
  /** Says what is wrong with a text, or null. */
  readonly check?: (text: string) => string | null;
  readonly onSet: (text: string) => void;
};

/** A text that is set on leaving the field or pressing Enter. */
export function TextField({
  label,
  value,
  hideLabel = false,
  className = "",
  required = false,
  longest = 400,
  offered = [],
  clears = false,
  check,
  onSet,
}: Props) {
  const id = useId();
  const ready = useReady();
  const { text, problem, type, refuse, stand, leave, back } = useTyped(value);
  const commit = () => {
    const found = required && text.trim() === "" ? `${label} should not be empty.` : (check?.(text) ?? null);
    if (found) return refuse(found);
    stand();
    if (text === value) return;
    onSet(text);
    if (clears) back();
  };
  return (
    <span className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "text-sm"}>
        {label}
      </label>
      <input
        id={id}
        className={`input input-sm w-full ${problem ? "input-error" : ""}`}
        value={text}
        readOnly={!ready}
        maxLength={longest}
        list={offered.length > 0 ? `${id}-offered` : undefined}
        aria-invalid={problem !== ""}
        aria-describedby={problem ? `${id}-problem` : undefined}
        onChange={(event) => type(event.target.value)}
        onBlur={() => {
          commit();
          leave();
        }}
        onKeyDown={(event) => {
          if (event.key === "Enter") commit();
          if (event.key === "Escape") back();
        }}
      />
      {offered.length > 0 && (
        <datalist id={`${id}-offered`}>
          {offered.map((one) => (
            <option key={one} value={one} />
          ))}
        </datalist>
      )}
      {problem && (
        <span id={`${id}-problem`} role="alert" className="text-sm text-error">
          {problem}
        </span>
      )}
    </span>
  );
}
