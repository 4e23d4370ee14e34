export { HearThis } from "./HearThis";
export { begin, hearing, hush } from "./hearing";
export { scoreOfShape } from "./score-of";
