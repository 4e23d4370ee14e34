export { type CapoOption, type CapoTableOptions, capoTable, shapeKeyAt } from "./capo-table";
export { type Reason, TERMS, type Term } from "./difficulty";
export { type Barre, type Fingering, type FingeringOptions, type Fingerings, fingerings } from "./fingerings";
export type { Finger, Frets } from "./hand";
export { HAND_LIMITS, LEVELS, type Level } from "./level";
export type { Mute } from "./mutes";
export { BASS_SCALE_MM, betweenFretsMm, fretMm, GUITAR_SCALE_MM, HIGHEST_CAPO, LAST_FRET } from "./neck";
export { STYLES, type Style } from "./styles";
export { WEIGHTS } from "./weights";
