"use client";

import { useId } from "react";

type Props = {
  readonly label: string;
  readonly value: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly hideLabel?: boolean;
  readonly className?: string;
  readonly onSet: (value: string) => void;
};

export function SelectField({ label, value, options, hideLabel = false, className = "", onSet }: Props) {
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
        onChange={(event) => onSet(event.target.value)}
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
