"use client";

import { useId } from "react";

type Props<Value extends string> = {
  readonly label: string;
  readonly value: Value;
  readonly options: readonly { readonly value: Value; readonly label: string }[];
  readonly hideLabel?: boolean;
  readonly className?: string;
  readonly onSet: (value: Value) => void;
};

/** One of several, by its value. */
export function SelectField<Value extends string>({
  label,
  value,
  options,
  hideLabel = false,
  className = "",
  onSet,
}: Props<Value>) {
  const id = useId();
  return (
    <span className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "text-sm"}>
        {label}
      </label>
      <select
        id={id}
        className="select select-sm w-full"
        value={value}
        onChange={(event) => {
          const chosen = options[event.target.selectedIndex];
          if (chosen) onSet(chosen.value);
        }}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
    </span>
  );
}
