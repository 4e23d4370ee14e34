import type { Finger, Frets, Hand } from "./hand";

/** How a string that does not sound is kept still. */
export type Mute = { readonly string: number; readonly by: Finger | "thumb" | "not struck" };

/**
 * Who damps each silent string: a barre lying over it; else the finger on the string nearer the face,
 * whose underside touches the next string; else the tip of the finger on the other side. The thumb
 * reaches the first string. What nobody touches is not struck. (common practice, no source)
 */
export function mutesOf(frets: Frets, fingers: readonly (Finger | null)[], hand: Hand): Mute[] {
  const mutes: Mute[] = [];
  for (let string = 0; string < frets.length; string++) {
    if (frets[string] === null) mutes.push({ string, by: damper(string, frets, fingers, hand) });
  }
  return mutes;
}

function damper(string: number, frets: Frets, fingers: readonly (Finger | null)[], hand: Hand): Mute["by"] {
  const barre = hand.find((hold) => hold.from < string && string < hold.to);
  if (barre) return barre.finger;
  const soundsAfter = frets.slice(string + 1).some((fret) => fret !== null);
  const under = fingers[string - 1] ?? null;
  const tip = fingers[string + 1] ?? null;
  if (!soundsAfter) return "not struck";
  if (under !== null) return under;
  if (tip !== null) return tip;
  return string === 0 ? "thumb" : "not struck";
}
