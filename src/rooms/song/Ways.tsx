"use client";

import { lineWays, playWay, type Way, type WaysOf } from "@/core/evidence";
import { beatsOfTicks } from "@/core/rhythm";
import type { VersionCommand } from "@/core/song/edit";
import { meterOf, notesOfRiff, placeNames } from "@/core/song/read";
import type { Riff, VersionBody } from "@/core/song/schema";
import { setSoundWay, soundWays } from "@/core/sounds";
import { LineShown } from "@/ui/LineShown";
import { derive, useAct, useDerived, useNames, VARIANT_WORDS } from "../open";

/** Lines and sounds there are several ways of, one below the other, with what each asks and what it keeps. */
export function Ways({ body }: { readonly body: VersionBody }) {
  const [lines, sounds] = [lineWays(body), soundWays(body)];
  if (lines.length + sounds.length === 0)
    return (
      <p className="mt-6 text-sm">
        Several ways of one line or sound (recorded, live, easy) stand here beside each other: make one on the
        page of lines, or say so at a sound.
      </p>
    );
  return (
    <section aria-label="Ways to play it" className="mt-6">
      <h2>Ways to play it</h2>
      <p className="mb-2 max-w-3xl text-sm">
        Ways of one thing over the same bars. What a hand does is counted a beat (a note 1, another string a
        quarter, a move of the hand 1 more); a sound by its effects. Kept is how much is as it was recorded.
      </p>
      {lines.map((ways) => (
        <WaysTable
          key={ways.ways[0]!.row.id}
          ways={ways}
          name={ways.ways[0]!.row.name}
          workOf={({ work }) => `${work.toFixed(2)} a beat`}
          isPlayed={({ row }) => Object.values(body.cells).some(({ riffId }) => riffId === row.id)}
          onPlay={({ row }) => playWay(ways, row.id)}
          drawn={({ row }) => <WayInTab riff={row} body={body} />}
          places={placesOf(body, ways.cells)}
        />
      ))}
      {sounds.map((ways) => (
        <WaysTable
          key={ways.ways[0]!.row.id}
          ways={ways}
          name={`Sound ${ways.ways[0]!.row.name}`}
          workOf={({ work }) => `${work} ${work === 1 ? "effect" : "effects"}`}
          isPlayed={({ row }) => ways.cells.some(({ id }) => body.cells[id]?.sound === row.name)}
          onPlay={({ row }) => setSoundWay(ways, row.name)}
          drawn={() => null}
          places={placesOf(body, ways.cells)}
        />
      ))}
    </section>
  );
}

/** The places of the form some parts stand at, by name. */
function placesOf(body: VersionBody, cells: readonly { readonly useId: string }[]): string {
  const names = placeNames(derive.outline(body));
  return [...new Set(cells.map(({ useId }) => names.get(useId) ?? ""))].join(", ");
}

function WaysTable<Row extends { readonly id: string; readonly name: string; readonly sure: boolean }>({
  ways,
  name,
  workOf,
  isPlayed,
  onPlay,
  drawn,
  places,
}: {
  readonly ways: WaysOf<Row>;
  readonly name: string;
  readonly workOf: (way: Way<Row>) => string;
  readonly isPlayed: (way: Way<Row>) => boolean;
  readonly onPlay: (way: Way<Row>) => VersionCommand;
  readonly drawn: (way: Way<Row>) => React.ReactNode;
  /** Where they are played. */
  readonly places: string;
}) {
  const act = useAct();
  return (
    <table className="mb-4 w-full max-w-3xl text-left">
      <caption className="text-left font-bold">
        {name}
        <span className="font-normal"> {places === "" ? "is played nowhere yet" : `in ${places}`}</span>
      </caption>
      <thead className="text-sm">
        <tr>
          <th scope="col">Way</th>
          <th scope="col">Asks</th>
          <th scope="col">Kept</th>
          <th scope="col">
            <span className="sr-only">Play it</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {ways.ways.map((way) => (
          <tr key={way.row.id} className="border-t border-base-300 align-top">
            <th scope="row" className="py-1 pr-3 font-normal">
              {way.row.name}
              {!way.row.sure && <span title="not sure">?</span>}
              <span className="block text-sm">
                {way.variant ? VARIANT_WORDS[way.variant] : "not said which"}
              </span>
              {drawn(way)}
            </th>
            <td className="py-1 pr-3">{workOf(way)}</td>
            <td className="py-1 pr-3">{Math.round(way.faithfulness * 100)} %</td>
            <td className="py-1 text-right">
              {isPlayed(way) ? (
                <strong>is played</strong>
              ) : (
                <button
                  type="button"
                  className="btn btn-sm"
                  disabled={ways.cells.length === 0}
                  aria-label={`Play ${way.row.name}`}
                  onClick={() => act(onPlay(way))}
                >
                  Play this way
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A way of a line in tab. */
function WayInTab({ riff, body }: { readonly riff: Riff; readonly body: VersionBody }) {
  const { passages } = useDerived(derive.timeline);
  const namer = useNames()(null, passages[0]?.shift ?? 0);
  const notes = notesOfRiff(body, riff.id);
  if (notes.length === 0 || beatsOfTicks(riff.ticks, "1/4") > 64) return null;
  return (
    <span className="block w-80">
      <LineShown riff={riff} notes={notes} meter={meterOf(body)} namer={namer} />
    </span>
  );
}
