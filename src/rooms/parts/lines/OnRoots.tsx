import type { SheetPart } from "@/core/parts";
import { addRiff, set } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import type { Riff } from "@/core/song/schema";
import { LineShown } from "@/ui/LineShown";
import { Tick } from "@/ui/Tick";
import { derive, makeId, useAct, useCurrentVersion } from "../../open";
import { plain } from "./Elsewhere";
import type { OpenLine } from "./LineSums";
import { newLine } from "./new-line";

/** A lick that is set on each chord's root: how it sounds in this section, how it is led into, and written out. */
export function OnRoots({
  line: { riff, row, player },
  part,
  namer,
}: {
  line: OpenLine;
  /** Where the player plays it, or null. */
  part: SheetPart | null;
  /** Who tells its names where it sounds. */
  namer: Namer;
}) {
  const current = useCurrentVersion();
  const act = useAct();
  const change = (fields: Partial<Riff>) => act(set("riffs", riff.id, fields));
  const writeOut = (played: Riff, notes: SheetPart["notes"]) => {
    const { strokes, tuning, capo, ticks } = played;
    const name = `${riff.name}, ${row.label}`.slice(0, 80);
    const fresh = newLine(current(), row, { name, tuning, capo, ticks }, { strokes });
    const place = [{ useId: row.use.id, playerId: player.id }];
    act(addRiff(current(), derive.cellIndex(current()), fresh, notes.map(plain), place, makeId));
  };
  return (
    <div className="mb-3 max-w-2xl rounded-box bg-base-200 p-3">
      <div className="flex flex-wrap items-center gap-3">
        <p className="mr-auto">
          The grid is a lick over {namer.readSounding(riff.home!)}; it is set on the root of each chord.
        </p>
        <Tick
          label="led into from one fret below"
          on={riff.approach}
          onSet={(approach) => change({ approach })}
        />
      </div>
      {part?.riff && part.notes.length > 0 && (
        <>
          <p className="mt-1 text-sm">So it is played in {row.label}:</p>
          <LineShown riff={part.riff} notes={part.notes} meter={row.passage.meter} namer={namer} />
          <button type="button" className="btn btn-sm mt-2" onClick={() => writeOut(part.riff!, part.notes)}>
            Write it out in {row.label}
          </button>
          <span className="ml-3 text-sm">Then it no longer goes along with the chords.</span>
        </>
      )}
    </div>
  );
}
