import { boxesDerived } from "./boxes";
import { partsDerived } from "./parts";
import { songDerived } from "./song";

export type { FormRow, Sketch } from "./song";

/**
 * Everything that is worked out of a version, remembered while the tables it comes from are the same. What is derived after
 * any edit equals the same derived afresh: a law in the test beside this file.
 */
export function createDerived() {
  const song = songDerived();
  const parts = partsDerived(song);
  return { ...song, ...parts, ...boxesDerived(song, parts) };
}

/** What this window has worked out of the song it shows. */
export const derive = createDerived();
