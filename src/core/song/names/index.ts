export { describeHand, describePlaying } from "./describe-hand";
export { lineNames } from "./line-names";
export { Namer, namerByShift, namersFor, tellKey } from "./namer";
export {
  type LineReads,
  type NamesChoice,
  OWN_NAMES,
  PLAIN_READER,
  type Reader,
  readerBy,
  readerOf,
  usualReads,
  type Whose,
} from "./reader";
export { tellersBy } from "./tellers";
