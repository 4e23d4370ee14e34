"use client";

import { useEffect, useId, useState } from "react";
import { useReady } from "./use-ready";

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
  const [text, setText] = useState(String(value));
  const [problem, setProblem] = useState("");
  useEffect(() => {
    setText(String(value));
    setProblem("");
  }, [value]);
  const commit = () => {
    const typed = Number(text.replace(",", "."));
    const fits =
      text.trim() !== "" &&
      Number.isFinite(typed) &&
      typed >= least &&
      typed <= most &&
      (!whole || Number.isInteger(typed));
    if (!fits)
      setProblem(
        `${label} should be ${whole ? "a whole number" : "a number"} from ${least} to ${most}, not “${text}”.`,
      );
    else {
      setProblem("");
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
          onChange={(event) => setText(event.target.value)}
          onBlur={commit}
          onKeyDown={(event) => {
            if (event.key === "Enter") commit();
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
