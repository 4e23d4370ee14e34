export { type HeardLater, HearPart, heardOnce, heardVersion } from "./HearPart";
export { HearThis } from "./HearThis";
export { begin, hear, hearing, hush } from "./hearing";
export { scoreOfLine, scoreOfPattern, scoreOfShape, scoreOfTogether } from "./score-of";
export { usualVoice, voicesFor } from "./voices";
