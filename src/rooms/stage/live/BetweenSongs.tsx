import type { ReactNode } from "react";
import type { LiveItem, LiveState, PackedSong } from "@/core/stage";
import { SectionTag } from "@/ui/SectionTag";
import { KIND_WORDS } from "./act-words";
import type { Live } from "./stage-line";

export type BetweenProps = {
  readonly item: LiveItem | null;
  readonly isOver: boolean;
  readonly state: LiveState;
  readonly live: Live;
};

/** A talk, a prayer, a pause, or the end of a song; and what comes after it: what this player gets ready, how long that takes and how long there is, and who begins. */
export function BetweenSongs({ item, isOver, state, live }: BetweenProps) {
  const at = state.items.findIndex(({ id }) => id === item?.id);
  const to = state.items.findIndex(({ kind }, index) => index > at && kind === "song");
  const song = state.items[to];
  const packed = live.pack?.songs.find(({ itemId }) => itemId === song?.id);
  // What lies between, this one too where it is no song.
  const between = state.items.slice(isOver ? at + 1 : at, to);
  return (
    <section className="flex min-h-0 flex-1 flex-col justify-center gap-6 overflow-y-auto">
      <h2 className="text-5xl max-sm:text-3xl">
        {isOver ? "The song is over" : item?.title || (item && KIND_WORDS[item.kind])}
      </h2>
      {item?.note && !isOver && <p className="text-3xl">{item.note}</p>}
      {song ? (
        <div className="border-t-4 border-base-300 pt-4 text-3xl max-sm:text-2xl">
          <p>
            next <strong>{song.title}</strong>
          </p>
          {song.note && <p className="mt-2 text-2xl">{song.note}</p>}
          {packed && <GetReady packed={packed} between={between} />}
        </div>
      ) : item?.kind === "song" && item.passages.length === 0 ? (
        <p className="text-3xl">Nothing is played yet. Put sections in the form in the Song room.</p>
      ) : (
        live.line !== "own" && <p className="text-3xl">That is the end of the evening.</p>
      )}
    </section>
  );
}

function GetReady({
  packed: { part, ready },
  between,
}: {
  packed: PackedSong;
  between: readonly LiveItem[];
}) {
  const [first] = part.sheets;
  const minutes = between.reduce((sum, item) => sum + item.minutes, 0);
  return (
    <>
      <Ready>
        {part.plays ? part.hand : "You read along in it."}
        {first && (
          <>
            {" "}
            · begins with <SectionTag label={first.label} kind={first.kind} />
          </>
        )}
      </Ready>
      <Ready>
        {ready.changes.length === 0 ? (
          part.plays && "Nothing to change."
        ) : (
          <>
            You change: <strong>{ready.changes.join("; ")}</strong>, about {Math.round(ready.seconds)} s.
          </>
        )}
        {minutes > 0 && ` There ${minutes === 1 ? "is 1 minute" : `are ${minutes} minutes`} until then.`}
      </Ready>
      {ready.begins.length > 0 && <Ready>From the first bar: {ready.begins.join(", ")}.</Ready>}
    </>
  );
}

const Ready = ({ children }: { children: ReactNode }) => (
  <p className="mt-2 text-2xl max-sm:text-xl">{children}</p>
);
