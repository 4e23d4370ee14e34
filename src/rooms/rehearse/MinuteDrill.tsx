import { useEffect, useEffectEvent, useRef, useState } from "react";

const SECONDS = 60;
/** Two counts nearer than this are one: a finger that bounces, ms. */
const BOUNCE_MS = 80;

type Props = {
  /** The change: "G – C". */
  readonly what: string;
  /** A whole minute is over. @param clean changes that were counted in it */
  readonly onDone: (clean: number) => void;
};

/** A minute of one change, counted by a button or any key. It is kept when the minute is over, not before. */
export function MinuteDrill({ what, onDone }: Props) {
  const [left, setLeft] = useState<number | null>(null);
  const [count, setCount] = useState(0);
  const counted = useRef(0);
  const last = useRef(0);
  const button = useRef<HTMLButtonElement>(null);
  const done = useEffectEvent(() => onDone(counted.current));
  const tally = () => {
    const now = performance.now();
    if (now - last.current < BOUNCE_MS) return;
    last.current = now;
    counted.current++;
    setCount(counted.current);
  };
  const isOn = left !== null;
  useEffect(() => {
    if (!isOn) return;
    const end = performance.now() + SECONDS * 1000;
    const timer = setInterval(() => {
      const seconds = Math.ceil((end - performance.now()) / 1000);
      setLeft(Math.max(0, seconds));
      if (seconds > 0) return;
      clearInterval(timer);
      setLeft(null);
      done();
    }, 100);
    return () => clearInterval(timer);
  }, [isOn]);
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.key === "Escape") return setLeft(null);
    if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || event.key === "Tab") return;
    event.preventDefault();
    tally();
  });
  useEffect(() => {
    if (!isOn) return;
    const listen = (event: KeyboardEvent) => onKey(event);
    window.addEventListener("keydown", listen, true);
    return () => window.removeEventListener("keydown", listen, true);
  }, [isOn]);
  const start = () => {
    counted.current = 0;
    setCount(0);
    setLeft(SECONDS);
    button.current?.focus();
  };
  if (!isOn)
    return (
      <button type="button" className="btn btn-sm" onClick={start}>
        A minute of {what}
      </button>
    );
  return (
    <div className="flex flex-wrap items-center gap-3">
      <button
        ref={button}
        type="button"
        className="btn btn-primary"
        onPointerDown={tally}
        onClick={(event) => event.detail === 0 && tally()}
      >
        Clean: <strong className="text-2xl">{count}</strong>
      </button>
      <span role="timer" className="text-2xl" aria-live="off">
        {left} s
      </span>
      <button type="button" className="btn btn-sm btn-ghost" onClick={() => setLeft(null)}>
        Leave it
      </button>
    </div>
  );
}
