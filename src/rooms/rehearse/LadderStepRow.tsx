import dynamic from "next/dynamic";
import type { LadderStep } from "@/core/practice";
import type { LadderNow } from "./use-ladder";

const TapHistogram = dynamic(() => import("./TapHistogram").then((part) => part.TapHistogram), {
  ssr: false,
  loading: () => <p role="status">The picture is drawn…</p>,
});

type Props = {
  readonly step: LadderStep;
  readonly words: string;
  readonly isDone: boolean;
  /** The first that is not done yet. */
  readonly isNext: boolean;
  readonly ladder: LadderNow;
  readonly onDone: () => void;
};

/** One step: played, stopped, done; and how near the taps were. */
export function LadderStepRow({ step, words, isDone, isNext, ladder, onDone }: Props) {
  const isOn = same(ladder.step, step);
  const answer = same(ladder.answer?.step ?? null, step) ? ladder.answer : null;
  const told = `${words}, ${step.percent} %`;
  return (
    <li className={`rounded-box p-3 ${isNext || isOn ? "bg-base-200" : "border border-base-300"}`}>
      <div className="flex flex-wrap items-center gap-3">
        <span className="min-w-60 flex-1">
          {words} <strong>{step.percent} %</strong>
          {isDone && <span className="ml-2 font-bold">done ✓</span>}
        </span>
        <button
          type="button"
          className={`btn btn-sm ${isNext && !isOn ? "btn-primary" : ""}`}
          aria-pressed={isOn}
          aria-label={`${isOn ? "Stop" : "Play"}: ${told}`}
          onClick={() => (isOn ? ladder.stop() : ladder.play(step))}
        >
          {isOn ? "Stop" : "Play"}
        </button>
        <button
          type="button"
          className="btn btn-sm"
          aria-label={`Done: ${told}`}
          disabled={isDone}
          onClick={onDone}
        >
          Done
        </button>
      </div>
      {answer && (
        <div className="mt-2">
          <p role="status">
            {answer.words}
            {answer.inTime && !isDone && " That is this step: press Done, and go on."}
          </p>
          <TapHistogram late={answer.tapped.late} />
        </div>
      )}
    </li>
  );
}

const same = (one: LadderStep | null, other: LadderStep): boolean =>
  one?.kind === other.kind && one.percent === other.percent;
