"use client";

import type { ReactNode } from "react";

type Option<Value> = {
  readonly value: Value;
  readonly label: string;
  /** The key that does the same, as the table of keys writes it. */
  readonly key?: string;
  readonly disabled?: boolean;
};

/** One of a few, each a button that stays down while it is the one. */
export function Toggles<Value extends string | number>({
  label,
  hideLabel = false,
  value,
  options,
  size = "sm",
  className = "",
  onSet,
}: {
  readonly label: ReactNode;
  readonly hideLabel?: boolean;
  /** Null while it is none of them. */
  readonly value: Value | null;
  readonly options: readonly Option<Value>[];
  readonly size?: "sm" | "md";
  /** Of each button. */
  readonly className?: string;
  readonly onSet: (value: Value) => void;
}) {
  return (
    <fieldset>
      <legend className={hideLabel ? "sr-only" : "mb-1 text-sm"}>{label}</legend>
      <div className="join">
        {options.map((option) => (
          <button
            key={option.value}
            type="button"
            className={`btn join-item ${size === "sm" ? "btn-sm" : ""} ${option.value === value ? "btn-primary" : ""} ${className}`}
            aria-pressed={option.value === value}
            aria-keyshortcuts={option.key}
            disabled={option.disabled}
            onClick={() => onSet(option.value)}
          >
            {option.label}
          </button>
        ))}
      </div>
    </fieldset>
  );
}
