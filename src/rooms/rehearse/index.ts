export { ChangesPage } from "./ChangesPage";
export { FitPage } from "./FitPage";
export { LadderPage } from "./LadderPage";
export { LogPage } from "./LogPage";
export { NextPage } from "./NextPage";
export { PhoneRehearsal } from "./PhoneRehearsal";
export { RehearseRoom } from "./RehearseRoom";
