import type { ReactNode } from "react";
import type { LiveItem, LiveState } from "@/core/stage";
import { SectionTag } from "@/ui/SectionTag";
import { KIND_WORDS } from "./act-words";
import type { Live } from "./live-line";

/** A talk, a prayer, a pause, or the end of a song; and what comes after it, with what this player gets ready for it. */
export function BetweenSongs({
  item,
  isOver,
  state,
  live,
}: {
  item: LiveItem | null;
  isOver: boolean;
  state: LiveState;
  live: Live;
}) {
  const at = state.items.findIndex(({ id }) => id === item?.id);
  const song = state.items.slice(at + 1).find(({ kind }) => kind === "song");
  const part = live.pack?.songs.find(({ itemId }) => itemId === song?.id)?.part;
  return (
    <section className="flex flex-1 flex-col justify-center gap-6">
      <h2 className="text-5xl">
        {isOver ? "The song is over" : item?.title || (item && KIND_WORDS[item.kind])}
      </h2>
      {item?.note && !isOver && <p className="text-3xl">{item.note}</p>}
      {song ? (
        <div className="border-t-4 border-base-300 pt-4 text-3xl">
          <p>
            next <strong>{song.title}</strong>
          </p>
          {song.note && <p className="mt-2 text-2xl">{song.note}</p>}
          {live.pack && !part && <Ready>You don’t play in it.</Ready>}
          {part && (
            <Ready>
              {part.hand}
              {part.sheets[0] && (
                <>
                  {" "}
                  · begins with <SectionTag label={part.sheets[0].label} kind={part.sheets[0].kind} />
                </>
              )}
            </Ready>
          )}
        </div>
      ) : (
        <p className="text-3xl">That is the end of the evening.</p>
      )}
    </section>
  );
}

const Ready = ({ children }: { children: ReactNode }) => <p className="mt-2 text-2xl">{children}</p>;
