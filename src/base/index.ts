export { countBits } from "./bits";
export { defined } from "./defined";
export { assertNever } from "./exhaust";
export { groupBy } from "./group-by";
export { fail, ok, type Result, unwrap } from "./result";
export { capital } from "./text";
export { type Fret, type Midi, type Millimetres, modulo, type Semitones, type Ticks } from "./units";
