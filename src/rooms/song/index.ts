export { describeFormOf } from "./describe-form-of";
export { LineRow } from "./LineBeats";
export { soundingName } from "./names-shown";
export { keyChoices } from "./Settings";
export { TapBeats } from "./TapBeats";
