import { type CSSProperties, useEffect, useRef } from "react";
import type { LeaderAct, LiveItem, LiveState, Place, When } from "@/core/stage";
import { SectionTag } from "@/ui/SectionTag";
import { WHEN_WORDS } from "./act-words";
import type { StageSettings } from "./settings";

type Props = {
  readonly state: LiveState;
  readonly item: LiveItem;
  readonly place: Place | null;
  readonly settings: StageSettings;
  readonly change: (fields: Partial<StageSettings>) => void;
  readonly press: (act: LeaderAct) => void;
  /** Whether it lies over the sheet, on a phone; elsewhere it stands beside it. */
  readonly isOpen: boolean;
  readonly onClose: () => void;
};

/**
 * The form as the margin of the leader's sheet: a thread down the page, each section as long on it as it has bars, burnt as
 * far as it has been played. A touch goes there.
 */
export function FormMargin({ state, item, place, settings, change, press, isOpen, onClose }: Props) {
  const thread = useRef<HTMLOListElement>(null);
  const index = place?.index ?? -1;
  useEffect(() => {
    const here = thread.current?.children[index] as HTMLElement | undefined;
    if (thread.current && here)
      thread.current.scrollTo({ top: here.offsetTop - thread.current.clientHeight / 3, behavior: "instant" });
  }, [index]);
  const runs = place !== null && !["waiting", "stopped", "ended"].includes(place.phase);
  const goTo = (passage: string) => {
    press({ type: "jump", passage, when: runs ? settings.when : "now" });
    onClose();
  };
  return (
    <nav aria-label="Form" data-open={isOpen} className="form-margin">
      <SongChoice state={state} press={press} />
      <WhenItComes when={settings.when} onSet={(when) => change({ when })} />
      <ol ref={thread} className="form-thread">
        {item.passages.map((passage, at) => {
          const isHere = at === index;
          const isNext = place?.asked === true && place.next === at;
          const burnt = isHere && place ? Math.min(1, place.tick / passage.ticks) : at < index ? 1 : 0;
          return (
            <li key={passage.id}>
              <button
                type="button"
                className="lead-section"
                style={{ "--bars": passage.bars.length, "--burnt": burnt } as CSSProperties}
                aria-current={isHere}
                data-queued={isNext}
                onClick={() => goTo(passage.id)}
              >
                <SectionTag label={passage.label} kind={passage.kind} />
                <span className="text-sm">
                  {isNext
                    ? "comes next"
                    : isHere && place?.circles
                      ? "round and round"
                      : barsOf(passage.bars.length)}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
      <button type="button" className="btn min-h-11 sm:hidden" onClick={onClose}>
        Back to the sheet
      </button>
    </nav>
  );
}

const barsOf = (bars: number): string => `${bars} ${bars === 1 ? "bar" : "bars"}`;

function WhenItComes({ when, onSet }: { when: When; onSet: (when: When) => void }) {
  return (
    <label className="block">
      <span className="block text-sm">A section touched comes</span>
      <select
        className="select w-full text-base"
        value={when}
        onChange={(event) => onSet(event.target.value as When)}
      >
        {Object.entries(WHEN_WORDS).map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

function SongChoice({ state, press }: { state: LiveState; press: (act: LeaderAct) => void }) {
  if (state.items.length < 2) return null;
  return (
    <label className="block">
      <span className="sr-only">Go to</span>
      <select
        className="select w-full text-base"
        value={state.transport.itemId ?? ""}
        onChange={(event) => press({ type: "open", itemId: event.target.value })}
      >
        {state.items.map(({ id, title, kind }, at) => (
          <option key={id} value={id}>
            {at + 1}. {title || kind}
          </option>
        ))}
      </select>
    </label>
  );
}
