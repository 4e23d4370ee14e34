export { HearThis } from "./HearThis";
export { scoreOfShape } from "./score-of";
