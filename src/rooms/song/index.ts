export { describeFormOf } from "./form-of";
export { soundingName } from "./names-shown";
export { keyChoices } from "./Settings";
export { TapBeats } from "./TapBeats";
