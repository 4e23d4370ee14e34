"use client";

import { useEffect, useRef, useState } from "react";
import { call, weighShelf } from "@/api";

/** So long the server works at it at a time, s: as often it is told how far it is. */
const SECONDS = 1;

/** Songs that are not weighed yet, and the press that weighs them; it can be stopped, and goes on where it was. */
export function WeighSongs({ onWeighed }: { readonly onWeighed: () => void }) {
  const [left, setLeft] = useState<number | null>(null);
  const [isWeighing, setIsWeighing] = useState(false);
  const [problem, setProblem] = useState("");
  const goes = useRef(false);
  useEffect(() => {
    void call(weighShelf, { sent: { seconds: 0 } }).then((asked) => {
      if (asked.ok) setLeft(asked.answer.left);
    });
    return () => {
      goes.current = false;
    };
  }, []);
  const weigh = async () => {
    goes.current = true;
    setIsWeighing(true);
    setProblem("");
    while (goes.current) {
      const asked = await call(weighShelf, { sent: { seconds: SECONDS } });
      if (!asked.ok)
        setProblem("The server does not answer: the rest is not weighed. Press again in a moment.");
      else setLeft(asked.answer.left);
      if (!asked.ok || asked.answer.left === 0) break;
    }
    goes.current = false;
    setIsWeighing(false);
    onWeighed();
  };
  if (!left && !isWeighing && problem === "") return null;
  return (
    <p className="mb-2 flex flex-wrap items-center gap-3 text-sm">
      <span role="status">
        {left === 1 ? "1 version is" : `${(left ?? 0).toLocaleString("en")} versions are`} not weighed yet,
        and stand at the end.
      </span>
      {isWeighing ? (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => {
            goes.current = false;
          }}
        >
          Stop weighing
        </button>
      ) : (
        <button type="button" className="btn btn-sm" onClick={() => void weigh()}>
          Weigh them
        </button>
      )}
      {problem && (
        <span role="alert" className="font-bold text-error">
          {problem}
        </span>
      )}
    </p>
  );
}
