import { type Moment, tellPlace, tellUnder, tellWord } from "@/core/song/moments";

/**
 * A moment in a list, as a running sheet has it: the place, and once under it what is sung.
 * @param under the use whose name stands over the list already
 */
export function MomentTold({ moment, under }: { moment: Moment; under?: string }) {
  const word = tellWord(moment);
  return (
    <>
      <span className="block whitespace-nowrap">
        {under === undefined ? tellPlace(moment) : tellUnder(moment, under)}
      </span>
      {word !== "" && <span className="block text-sm font-normal">{word}</span>}
    </>
  );
}
