export { keyChoices } from "./Settings";
export { soundingName } from "./sounding-name";
export { TapBeats } from "./TapBeats";
