"use client";

import { useId } from "react";
import { useReady } from "./use-ready";
import { useTyped } from "./use-typed";

type Props = {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly unit?: string;
  readonly whole?: boolean;
  readonly hideLabel?: boolean;
  readonly onSet: (value: number) => void;
};

/**
 * A number typed and checked: what is out of range stays in the field with a sentence beside it, and nothing
 * is changed until it is right.
 */
export function NumberField({
  label,
  value,
  least,
  most,
  unit = "",
  whole = true,
  hideLabel = false,
  onSet,
}: Props) {
  const id = useId();
  const ready = useReady();
  const { text, problem, type, refuse, stand, leave, back } = useTyped(String(value));
  const commit = () => {
    const typed = Number(text.replace(",", "."));
    const fits =
      text.trim() !== "" &&
      Number.isFinite(typed) &&
      typed >= least &&
      typed <= most &&
      (!whole || Number.isInteger(typed));
    if (!fits)
      refuse(
        `${label} should be ${whole ? "a whole number" : "a number"} from ${least} to ${most}, not “${text}”.`,
      );
    else {
      stand();
      if (typed !== value) onSet(typed);
    }
  };
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className={hideLabel ? "sr-only" : "text-sm"}>
        {label}
      </label>
      <span className="flex items-center gap-1">
        <input
          id={id}
          inputMode="decimal"
          className={`input input-sm w-20 ${problem ? "input-error" : ""}`}
          value={text}
          readOnly={!ready}
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
        {unit && <span className="text-sm">{unit}</span>}
      </span>
      {problem && (
        <span id={`${id}-problem`} role="alert" className="max-w-60 text-sm text-error">
          {problem}
        </span>
      )}
    </div>
  );
}
