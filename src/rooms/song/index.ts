export { soundingName } from "./SectionCard";
export { keyChoices } from "./Settings";
