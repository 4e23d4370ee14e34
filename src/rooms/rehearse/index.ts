export { ChangesPage } from "./ChangesPage";
export { LogPage } from "./LogPage";
export { RehearseRoom } from "./RehearseRoom";
