export { describeFormOf } from "./describe-form-of";
export { KeyChoice } from "./KeyChoice";
export { keyChoices } from "./key-choices";
export { LineRow } from "./LineBeats";
export { TapBeats } from "./TapBeats";
