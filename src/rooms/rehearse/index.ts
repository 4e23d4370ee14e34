export { RehearseRoom } from "./RehearseRoom";
