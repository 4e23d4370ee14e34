import Link from "next/link";
import type { Beside, SongBeside } from "@/api";

/** From so many songs like it on its feel is usual for this band. */
const USUAL = 3;

const songs = (count: number): string => (count === 1 ? "1 other song" : `${count} other songs`);

/** How usual its metre and tempo are here, in a sentence. */
export function tellFeel({ meter, bpm, songs: all, inMeter, asFast }: Beside): string {
  const own = `${meter} at ${Math.round(bpm)}`;
  if (all === 0) return `${own}: there is no other song to lay it beside.`;
  if (inMeter === 0) return `${own} is far from what you play: no other song is in ${meter}.`;
  if (asFast >= USUAL) return `${own} is usual here: ${songs(asFast)} in ${meter} about as fast.`;
  if (asFast === 0) return `${own} is new: ${songs(inMeter)} in ${meter}, none about as fast.`;
  return `${own} is seldom here: ${songs(asFast)} in ${meter} about as fast, ${inMeter} in ${meter} in all.`;
}

/** "5 of its 6 chords"; a song all of whose chords are in this one is a step before it. */
export const tellShared = ({ shared, chords }: SongBeside, own: number): string =>
  shared === chords
    ? `all of its ${chords} chords are in this one${chords < own ? ": an easier step before it" : ""}`
    : `${shared} of its ${chords} chords are in this one`;

/** The song among the others of the shelf: its feel, and whom it shares its chords with. */
export function BesideOthers({ beside }: { readonly beside: Beside }) {
  return (
    <section aria-labelledby="beside" className="flex flex-col gap-2">
      <h2 id="beside">Beside your other songs</h2>
      <p>{tellFeel(beside)}</p>
      {beside.alike.length === 0 ? (
        <p>No other song shares half of its chords.</p>
      ) : (
        <>
          <p>Songs that share its chords as they sound:</p>
          <ul aria-label="Songs that share its chords" className="flex flex-col gap-1">
            {beside.alike.map((one) => (
              <li key={one.versionId}>
                <Link className="link" href={`/song/${one.versionId}`} prefetch={false}>
                  {one.title}
                </Link>{" "}
                ({one.versionName}): {tellShared(one, beside.chords)}.
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
