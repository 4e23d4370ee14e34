export { describeFormOf } from "./describe-form-of";
export { LineRow } from "./LineBeats";
export { keyChoices } from "./Settings";
export { TapBeats } from "./TapBeats";
