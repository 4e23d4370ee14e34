import { parseChord } from "@/core/chord";
import type { BarSum } from "@/core/rhythm";
import { type Outline, versionRow } from "@/core/song/read";
import type { VersionBody } from "@/core/song/schema";
import type { Lit } from "@/ui/Lantern";

/** The rooms that are built, in working order. */
export const ROOMS = [
  { path: "", name: "Song", does: "words, chords, bars, form" },
  { path: "/players", name: "Players", does: "who plays, on what" },
  { path: "/keys", name: "Keys", does: "key, capos, shapes" },
  { path: "/parts", name: "Parts", does: "who plays what, where" },
  { path: "/loops", name: "Loops", does: "layers, tracks, feet" },
  { path: "/sounds", name: "Sounds", does: "effects, banks, presses" },
  { path: "/cues", name: "Cues", does: "who does what, when" },
  { path: "/rehearse", name: "Rehearse", does: "hear it, slowly, together" },
] as const;

export type RoomName = (typeof ROOMS)[number]["name"];

/** How far each room is: the rail is the list of what is left to do. */
export function lanterns(
  body: VersionBody,
  outline: Outline,
  sums: ReadonlyMap<string, BarSum>,
  /** How many findings of the sheet, and of the loops, are open; and how far the sounds are. */
  findings: { readonly sheet: number; readonly loops: number; readonly sounds: Lit },
): Record<RoomName, Lit> {
  const chords = Object.values(body.chords);
  const open = [...sums.values()].some((sum) => sum.open);
  const symbols = new Set(chords.map((chord) => chord.symbol));
  const doubtful =
    open || chords.some((chord) => chord.guessed) || [...symbols].some((symbol) => !parseChord(symbol).ok);
  const players = Object.values(body.players);
  const cells = Object.keys(body.cells).length > 0;
  return {
    Song: chords.length === 0 ? "dark" : doubtful || outline.form.length === 0 ? "half" : "lit",
    Players: players.length === 0 ? "dark" : "lit",
    Keys: chords.length === 0 || players.length === 0 ? "dark" : versionRow(body).keySure ? "lit" : "half",
    Parts: players.length === 0 || !cells ? "dark" : findings.sheet === 0 ? "lit" : "half",
    Loops: Object.keys(body.loopLayers).length === 0 ? "dark" : findings.loops === 0 ? "lit" : "half",
    Sounds: findings.sounds,
    Cues:
      Object.keys(body.cues).length === 0
        ? "dark"
        : Object.values(body.cues).some(({ danger }) => danger)
          ? "half"
          : "lit",
    Rehearse: chords.length === 0 || players.length === 0 ? "dark" : "lit",
  };
}
