import { describeLineWay, type LineFollow, type SheetPart, type SheetRow } from "@/core/parts";
import { describeMove } from "@/core/pitch";
import { setCell } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import { LineShown } from "@/ui/LineShown";
import { derive, makeId, useAct, useCurrentVersion } from "../open";
import { From } from "./From";

/** How a line can be played in a section where it sounds otherwise than it was written, side by side: one press each. */
export function LineWays({
  part,
  row,
  follow,
  namer,
}: {
  part: SheetPart;
  row: SheetRow;
  follow: LineFollow;
  namer: Namer;
}) {
  const current = useCurrentVersion();
  const act = useAct();
  const { cell, use, player, riff } = part;
  const set = (fields: Parameters<typeof setCell>[3]) =>
    act(setCell(derive.cellIndex(current()), use.id, player.id, fields, makeId));
  const choices = follow.ways.filter(({ how }) => how !== "same strings");
  return (
    <div className="mt-2">
      <p className="text-sm">
        {follow.by === 0
          ? "On this neck the line is fingered otherwise."
          : `Here it sounds ${describeMove(follow.by)}.`}{" "}
        {follow.isSettled ? "" : "It can’t stay on its strings: choose how it is played."}
      </p>
      <From what="way of the line" value={cell.lineWay} onClear={() => set({ lineWay: null })} />
      {riff && (!follow.isSettled || choices.length > 0) && (
        <ul className="mt-1 grid gap-2">
          {follow.ways.map((way, at) => (
            <li key={`${way.how} ${at}`} className="rounded-field border border-base-300 p-2">
              <p className="flex flex-wrap items-center gap-2 text-sm">
                <span className="mr-auto first-letter:uppercase">
                  {describeLineWay(way)}
                  {at === 0 && ", shown"}
                </span>
                {way.how === "capo" ? (
                  <button type="button" className="btn btn-sm" onClick={() => set({ capo: way.capo! })}>
                    Move the capo here
                  </button>
                ) : (
                  !follow.isSettled && (
                    <button
                      type="button"
                      className="btn btn-sm"
                      onClick={() => set({ lineWay: "re-fingered" })}
                    >
                      Play it so
                    </button>
                  )
                )}
              </p>
              {at > 0 && (
                <LineShown
                  riff={way.how === "capo" ? { ...riff, capo: way.capo! } : riff}
                  notes={way.notes}
                  meter={row.passage.meter}
                  namer={namer}
                />
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
