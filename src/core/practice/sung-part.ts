import type { TimedStroke } from "../playing";
import { PLAIN_WEIGHT } from "../rhythm";
import { keysOf, melodyShift, type Passage, readMelody } from "../song/read";
import type { VersionBody } from "../song/schema";
import type { HeardPart } from "./heard-part";

/** Who sings what is known of the melody: no player of the band. */
export const MELODY_ID = "the melody";

/** The melody of a song as it is sung, where it is known; null where nothing of it is. */
export function sungPart(
  body: Pick<VersionBody, "version" | "melodies">,
  passages: readonly Passage[],
): HeardPart | null {
  const bySection = new Map(
    Object.values(body.melodies).map(({ sectionId, notes }) => [sectionId, readMelody(notes)]),
  );
  const { written, sounding } = keysOf(body);
  const moved = melodyShift(written, sounding);
  const strokes = passages.flatMap((passage): TimedStroke[] => {
    const { use, tick: from, ticks: length, vocals } = passage;
    if (!vocals) return [];
    const by = moved + use.shift - (use.octaveDown ? 12 : 0);
    return (bySection.get(use.sectionId) ?? []).flatMap(({ tick, ticks, pitch }): TimedStroke[] =>
      tick >= length
        ? []
        : [
            {
              tick: from + tick,
              until: from + Math.min(length, tick + ticks),
              stroke: { kind: "down", weight: PLAIN_WEIGHT },
              held: null,
              notes: [pitch + by],
            },
          ],
    );
  });
  if (strokes.length === 0) return null;
  return {
    player: { id: MELODY_ID, name: "Melody", instrument: "voice", plugged: false },
    strokes,
    notes: [],
    drums: [],
  };
}
