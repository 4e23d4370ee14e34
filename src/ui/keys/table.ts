/**
 * Every key of the program: what handlers act on, what the list of keys says, what the palette shows. `keys` are written
 * as {@link comboOf} writes them; `shown`, where given, stands in their place in the list; "" leaves a key to the row before it.
 */
export const KEYS = Object.freeze([
  { place: "everywhere", act: "palette", keys: ["Mod+k"], does: "go anywhere, do anything" },
  { place: "everywhere", act: "help", keys: ["?"], does: "this list" },
  { place: "everywhere", act: "undo", keys: ["Mod+z"], does: "take back" },
  { place: "everywhere", act: "redo", keys: ["Mod+Shift+z", "Mod+y"], does: "do again" },

  { place: "new song", act: "switch", keys: ["F2"], does: "from the text to what was understood, and back" },

  { place: "form", act: "earlier", keys: ["Alt+ArrowUp"], does: "move a place in the form up" },
  { place: "form", act: "later", keys: ["Alt+ArrowDown"], does: "move a place in the form down" },

  { place: "chord", act: "early", keys: ["e"], does: "the chord comes half a beat early" },
  { place: "chord", act: "late", keys: ["l"], does: "half a beat late" },
  { place: "chord", act: "hold", keys: ["o"], does: "it is held" },
  { place: "chord", act: "choke", keys: ["k"], does: "it is choked" },
  { place: "chord", act: "hit", keys: ["h"], does: "hit, then silence" },
  { place: "chord", act: "stop", keys: ["s"], does: "stop before the next" },
  { place: "chord", act: "left", keys: ["ArrowLeft"], shown: "← →", does: "from chord to chord" },
  { place: "chord", act: "right", keys: ["ArrowRight"], shown: "", does: "the next chord" },
  { place: "chord", act: "leave", keys: ["Escape"], does: "leave it" },

  { place: "beat row", act: "set", keys: ["Enter"], does: "set the line, and on to the next" },
  { place: "beat row", act: "alike", keys: ["Mod+Enter"], does: "set the line and all below like it" },
  { place: "beat row", act: "down", keys: ["ArrowDown"], shown: "↑ ↓", does: "from line to line" },
  { place: "beat row", act: "up", keys: ["ArrowUp"], shown: "", does: "the line before" },
  { place: "beat row", act: "back", keys: ["Escape"], does: "leave the line as it was" },

  {
    place: "taps",
    act: "tap",
    keys: ["Space", "ArrowRight", "PageDown"],
    shown: "Space Page Down",
    does: "the next chord begins",
  },
  { place: "taps", act: "end", keys: ["Enter"], does: "it is over" },
  { place: "taps", act: "leave", keys: ["Escape"], does: "leave it" },

  { place: "beats", act: "left", keys: ["ArrowLeft"], shown: "← → Home End", does: "move over the beats" },
  { place: "beats", act: "right", keys: ["ArrowRight"], shown: "", does: "a beat to the right" },
  { place: "beats", act: "first", keys: ["Home"], shown: "", does: "the first beat" },
  { place: "beats", act: "last", keys: ["End"], shown: "", does: "the last beat" },
  { place: "beats", act: "earlier", keys: ["Shift+ArrowLeft"], does: "the chord begins a beat sooner" },
  { place: "beats", act: "later", keys: ["Shift+ArrowRight"], does: "the chord begins a beat later" },
  { place: "beats", act: "word-before", keys: ["Alt+ArrowLeft"], does: "the chord stands a word sooner" },
  { place: "beats", act: "word-after", keys: ["Alt+ArrowRight"], does: "the chord stands a word later" },
  { place: "beats", act: "longer", keys: ["]"], does: "the chord lasts a beat longer" },
  { place: "beats", act: "shorter", keys: ["["], does: "the chord lasts a beat less" },
  { place: "beats", act: "half-longer", keys: ["}"], does: "the chord lasts half a beat longer" },
  { place: "beats", act: "half-shorter", keys: ["{"], does: "the chord lasts half a beat less" },
  {
    place: "beats",
    act: "lift",
    keys: ["Delete", "Backspace"],
    shown: "Delete",
    does: "take the chord away",
  },
  {
    place: "beats",
    act: "type",
    keys: ["a", "b", "c", "d", "e", "f", "g", "n"],
    shown: "A to G, N",
    does: "write a chord there",
  },

  { place: "capo table", act: "up", keys: ["ArrowUp"], does: "the capo above" },
  { place: "capo table", act: "down", keys: ["ArrowDown"], does: "the capo below" },
  {
    place: "capo table",
    act: "capo",
    keys: ["0", "1", "2", "3", "4", "5", "6", "7", "8", "9"],
    shown: "0 to 9",
    does: "put the capo there",
  },

  {
    place: "sheet",
    act: "left",
    keys: ["ArrowLeft"],
    shown: "Arrows Home End",
    does: "move over players and sections",
  },
  { place: "sheet", act: "right", keys: ["ArrowRight"], shown: "", does: "the player to the right" },
  { place: "sheet", act: "up", keys: ["ArrowUp"], shown: "", does: "the section before" },
  { place: "sheet", act: "down", keys: ["ArrowDown"], shown: "", does: "the section after" },
  { place: "sheet", act: "first", keys: ["Home"], shown: "", does: "the first player" },
  { place: "sheet", act: "last", keys: ["End"], shown: "", does: "the last player" },
  {
    place: "sheet",
    act: "more",
    keys: [
      "Shift+ArrowLeft",
      "Shift+ArrowRight",
      "Shift+ArrowUp",
      "Shift+ArrowDown",
      "Shift+Home",
      "Shift+End",
    ],
    shown: "Shift and arrows",
    does: "select several",
  },
  { place: "sheet", act: "all", keys: ["Mod+a"], does: "select all" },
  {
    place: "sheet",
    act: "light",
    keys: ["0", "1", "2", "3", "4"],
    shown: "0 to 4",
    does: "light, out to full",
  },
  { place: "sheet", act: "carry", keys: ["c"], does: "carries" },
  { place: "sheet", act: "support", keys: ["s"], does: "supports" },
  { place: "sheet", act: "line", keys: ["l"], does: "plays a line" },
  { place: "sheet", act: "bass", keys: ["b"], does: "plays the bass" },
  { place: "sheet", act: "out", keys: ["o"], does: "sits out" },
  { place: "sheet", act: "copy", keys: ["Mod+c"], does: "copy parts" },
  { place: "sheet", act: "paste", keys: ["Mod+v"], does: "paste parts" },
  { place: "sheet", act: "fill", keys: ["Mod+d"], does: "fill down from the first row selected" },
  {
    place: "sheet",
    act: "clear",
    keys: ["Delete", "Backspace"],
    shown: "Delete",
    does: "let parts inherit again",
  },
  { place: "sheet", act: "open", keys: ["Enter"], does: "open the part at right; Escape comes back" },

  {
    place: "lines",
    act: "left",
    keys: ["ArrowLeft"],
    shown: "Arrows Home End",
    does: "move over strings and steps",
  },
  { place: "lines", act: "right", keys: ["ArrowRight"], shown: "", does: "a step to the right" },
  { place: "lines", act: "up", keys: ["ArrowUp"], shown: "", does: "the string nearer the floor" },
  { place: "lines", act: "down", keys: ["ArrowDown"], shown: "", does: "the string nearer the face" },
  { place: "lines", act: "first", keys: ["Home"], shown: "", does: "the first step" },
  { place: "lines", act: "last", keys: ["End"], shown: "", does: "the last step" },
  {
    place: "lines",
    act: "fret",
    keys: ["0", "1", "2", "3", "4", "5", "6", "7", "8", "9"],
    shown: "Digits",
    does: "a fret; two soon after each other are one",
  },
  { place: "lines", act: "hammer", keys: ["h"], does: "hammered on" },
  { place: "lines", act: "pull", keys: ["p"], does: "pulled off" },
  { place: "lines", act: "slide", keys: ["/"], does: "slid to" },
  { place: "lines", act: "dead", keys: ["x"], does: "dead" },
  { place: "lines", act: "plain", keys: ["n"], does: "plucked" },
  { place: "lines", act: "bend", keys: ["b"], does: "bent a quarter tone more" },
  { place: "lines", act: "ring", keys: ["r"], does: "rings on, or not" },
  { place: "lines", act: "short", keys: ["s"], does: "short, or not" },
  { place: "lines", act: "optional", keys: ["o"], does: "may be left out, or not" },
  { place: "lines", act: "weight", keys: ["a"], does: "accented, light, plain" },
  { place: "lines", act: "stroke", keys: ["v"], does: "struck down, up, as the line goes" },
  { place: "lines", act: "longer", keys: ["+"], does: "a step longer" },
  { place: "lines", act: "shorter", keys: ["-"], does: "a step shorter" },
  { place: "lines", act: "take", keys: ["Delete", "Backspace"], shown: "Delete", does: "take the note away" },

  { place: "tapping", act: "down", keys: ["j"], does: "a downstroke" },
  { place: "tapping", act: "down-strong", keys: ["J"], does: "a strong downstroke" },
  { place: "tapping", act: "up", keys: ["k"], does: "an upstroke" },
  { place: "tapping", act: "up-strong", keys: ["K"], does: "a strong upstroke" },
  { place: "tapping", act: "dead", keys: ["x"], does: "a dead stroke" },
  { place: "tapping", act: "choke", keys: ["Space"], does: "a choke" },

  {
    place: "ropes",
    act: "left",
    keys: ["ArrowLeft"],
    shown: "Arrows Home End",
    does: "move over layers and steps",
  },
  { place: "ropes", act: "right", keys: ["ArrowRight"], shown: "", does: "a step to the right" },
  { place: "ropes", act: "up", keys: ["ArrowUp"], shown: "", does: "the layer above" },
  { place: "ropes", act: "down", keys: ["ArrowDown"], shown: "", does: "the layer below" },
  { place: "ropes", act: "first", keys: ["Home"], shown: "", does: "the beginning of the section" },
  { place: "ropes", act: "last", keys: ["End"], shown: "", does: "the end of the section" },
  {
    place: "ropes",
    act: "more",
    keys: ["Shift+ArrowLeft", "Shift+ArrowRight", "Shift+Home", "Shift+End"],
    shown: "Shift and arrows",
    does: "select more",
  },
  { place: "ropes", act: "all", keys: ["a"], does: "select the whole section" },
  { place: "ropes", act: "on", keys: ["d"], does: "draw what is selected" },
  { place: "ropes", act: "off", keys: ["c"], does: "cut what is selected" },
  { place: "ropes", act: "either", keys: ["l"], does: "leave it loose" },
  { place: "ropes", act: "again", keys: ["Enter", "Space"], does: "do what a drag does" },

  {
    place: "pedals",
    act: "pedal",
    keys: ["1", "2", "3", "4", "5", "6", "7", "8", "9"],
    shown: "1 to 9",
    does: "pedals of the simulated box",
  },

  { place: "running order", act: "earlier", keys: ["Alt+ArrowUp"], does: "move a song up" },
  { place: "running order", act: "later", keys: ["Alt+ArrowDown"], does: "move a song down" },

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

export type KeyRow = {
  readonly place: string;
  readonly act: string;
  readonly keys: readonly string[];
  readonly shown?: string;
  readonly does: string;
};

type Row = (typeof KEYS)[number];
export type KeyPlace = Row["place"];
export type KeyAct<Place extends KeyPlace> = Extract<Row, { readonly place: Place }>["act"];

/** Places by the name people know them by, in the order of the list. */
export const PLACE_WORDS: Readonly<Record<KeyPlace, string>> = Object.freeze({
  everywhere: "Everywhere",
  "new song": "New song",
  form: "Song: the form",
  chord: "Song: a chord of a line",
  "beat row": "Song: beats typed as a row",
  taps: "Song: beats tapped to a click",
  beats: "Song: the beats of a line",
  "capo table": "Keys: a capo table",
  sheet: "Parts: the sheet",
  lines: "Parts: the grid of a line",
  tapping: "Parts: tapping a pattern",
  ropes: "Loops: the ropes",
  pedals: "Loops and Sounds: playing",
  "running order": "Evening: the running order",
  stage: "Stage",
  leading: "Live stage, the leader",
});
