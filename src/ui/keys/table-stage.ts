import type { KeyRow } from "./row";

/** The keys that hold everywhere and those on stage: all that a phone on stage needs of the table. */
export const STAGE_KEYS = Object.freeze([
  { place: "everywhere", act: "palette", keys: ["Mod+k"], does: "go anywhere, do anything" },
  { place: "everywhere", act: "help", keys: ["?"], does: "this list" },
  { place: "everywhere", act: "undo", keys: ["Mod+z"], does: "take back" },
  { place: "everywhere", act: "redo", keys: ["Mod+Shift+z", "Mod+y"], does: "do again" },

  { place: "stage", act: "on", keys: ["ArrowRight", "Space", "PageDown"], does: "go on" },
  { place: "stage", act: "back", keys: ["ArrowLeft", "PageUp"], does: "back" },
  { place: "leading", act: "start", keys: ["c"], does: "count a bar in" },
  { place: "leading", act: "hold", keys: ["h"], does: "hold" },
  { place: "leading", act: "goOn", keys: ["g"], does: "go on" },
  { place: "leading", act: "repeat", keys: ["m"], does: "once more" },
  { place: "leading", act: "circle", keys: ["r"], does: "round and round, or no more" },
  { place: "leading", act: "asWritten", keys: ["w"], does: "on as the form says after all" },
  { place: "leading", act: "skip", keys: ["l"], does: "leave the next out" },
  { place: "leading", act: "stop", keys: ["s"], does: "stop" },
  { place: "leading", act: "next", keys: ["n"], does: "the next song" },
  { place: "leading", act: "undo", keys: ["u"], does: "take the last press back" },
  { place: "leading", act: "mark", keys: ["d"], does: "mark this bar" },
] as const satisfies readonly KeyRow[]);
