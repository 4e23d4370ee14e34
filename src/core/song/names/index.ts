export { describeHand, describePlaying } from "./describe-hand";
export { lineNames } from "./line-names";
export { type NamedChord, Namer, namerByShift, namersFor } from "./namer";
export {
  type LineReads,
  type NamesChoice,
  OWN_NAMES,
  PLAIN_READER,
  type Reader,
  readerBy,
  readerOf,
  type Shows,
  usualReads,
  type Whose,
  type Writing,
} from "./reader";
